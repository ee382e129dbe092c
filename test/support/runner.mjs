// Runs a workshop in the foreground as ./umbrette run does, on a folder and database of a test's own.
import { runInForeground } from '../../scripts/foreground.mjs'

const [folder, url, port] = process.argv.slice(2)
process.env.DATABASE_URL = url
await runInForeground(folder, {
  kind: 'own',
  database: { app: url, owner: url },
  keepDays: 60,
  options: { kind: 'own', first: Number(port) }
})
