import { readFileSync } from 'node:fs'
import { CONSOLE, saySound, sayTrace } from '../words/en'
import { beatsOf, listen, mixed } from '../core/sound'
import { readWav } from '../core/trace'
import { oneLine, pathOf, print, readSheetFile, run } from './files'

/**
 * Listens to a recording of a running engine: one line of JSON; what stands in the way to standard error, exit code 2.
 */
async function hear([sheetPath, soundPath, ...more]: string[]): Promise<number> {
  const asked = sheetPath && soundPath && more.length === 0
  const problems = asked ? await tellHeard(sheetPath, soundPath) : [CONSOLE.soundUsage]
  for (const line of problems) console.error(line)
  return problems.length > 0 ? 2 : 0
}

async function tellHeard(sheetPath: string, soundPath: string): Promise<string[]> {
  const { sheet, problems } = readSheetFile(sheetPath)
  if (!sheet) return problems
  const samples = samplesOf(soundPath)
  if (samples === null) return [`${soundPath}: ${CONSOLE.unreadable}`]
  if ('code' in samples) return [oneLine(`${soundPath}: ${sayTrace(samples)}`)]
  const found = listen(mixed(samples.channels), samples.rate, beatsOf(sheet))
  if ('code' in found) return [oneLine(`${soundPath}: ${saySound(found)}`)]
  const { rpm, quietAfter, clatter, rhythms, faults } = found
  await print(
    `${JSON.stringify({
      format: 'umbrette-sound',
      version: 1,
      rpm: { low: fine(rpm.low), mean: fine(rpm.mean), high: fine(rpm.high) },
      quietAfter: quietAfter === null ? null : fine(quietAfter),
      clatter: fine(clatter),
      rhythms: rhythms.map(({ of, strength }) => ({ of, strength: fine(strength) })),
      faults: faults.map((one) => saySound(one))
    })}\n`
  )
  return []
}

const fine = (value: number) => Number(value.toFixed(3))

function samplesOf(path: string): ReturnType<typeof readWav> | null {
  try {
    return readWav(readFileSync(pathOf(path)))
  } catch {
    return null
  }
}

await run(hear)
