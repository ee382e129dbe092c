import { writeFileSync } from 'node:fs'
import { formats } from '../core/formats/formats'

/** Writes the JSON Schemas of the open formats; a test fails when they are not the code's own. */
for (const [name, schema] of Object.entries(formats())) writeFileSync(`docs/formats/${name}.schema.json`, `${JSON.stringify(schema, null, 1)}\n`)
