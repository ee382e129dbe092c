import { CONSOLE, sayPicture, tellFaults } from '../words/en'
import { countLinks, findCard, measurePicture, readLine, readMeasure } from '../core/picture'
import type { Fault, Message } from '../core/check'
import { oneLine, print, readJsonFile, run } from './files'
import { readPhoto } from './photo'

/**
 * Measures on pictures: a file of taps, the card on a photo, links along a line of it. One line of JSON to standard
 * output; what stands in the way to standard error, exit code 2.
 */
async function measure(given: string[]): Promise<number> {
  const [first, ...rest] = given
  const problem =
    first === 'find' && rest.length === 1
      ? await findOn(rest[0]!)
      : first === 'links' && rest.length === 2
        ? await linksOn(rest[0]!, rest[1]!)
        : first !== undefined && first !== 'find' && first !== 'links' && rest.length === 0
          ? await measureFile(first)
          : [CONSOLE.pictureUsage]
  for (const line of problem) console.error(line)
  return problem.length > 0 ? 2 : 0
}

const tellAll = (path: string, faults: readonly Fault[]) =>
  tellFaults(faults).map(({ place, message }) => oneLine(`${path}: ${place ? `${place}: ` : ''}${message}`))
const told = (path: string, message: Message) => [oneLine(`${path}: ${sayPicture(message)}`)]

async function measureFile(path: string): Promise<string[]> {
  const { value, problem } = readJsonFile(path)
  if (problem !== null) return [`${path}: ${problem}`]
  const { file, faults } = readMeasure(value)
  if (!file) return tellAll(path, faults)
  const found = measurePicture(file)
  if ('code' in found) return told(path, found)
  const results = found.results.map((result) =>
    'value' in result ? { value: result.value, sigma: result.sigma } : result
  )
  await print(`${JSON.stringify({ format: 'umbrette-picture', version: 1, results: rounded(results) })}\n`)
  return []
}

async function findOn(path: string): Promise<string[]> {
  const photo = await photoAt(path)
  if (!photo) return [`${path}: ${CONSOLE.noPicture}`]
  const { gray, focal } = photo
  const card = findCard(gray)
  if ('code' in card) return told(path, card)
  const size = [gray.width, gray.height]
  await print(
    `${JSON.stringify({ format: 'umbrette-picture', version: 1, size, ...(focal ? { focal: rounded(focal) } : {}), plane: [rounded(card)] })}\n`
  )
  return []
}

async function linksOn(path: string, linePath: string): Promise<string[]> {
  const { value, problem } = readJsonFile(linePath)
  if (problem !== null) return [`${linePath}: ${problem}`]
  const { line, faults } = readLine(value)
  if (!line) return tellAll(linePath, faults)
  const photo = await photoAt(path)
  if (!photo) return [`${path}: ${CONSOLE.noPicture}`]
  const counted = countLinks(photo.gray, line.line, line)
  if ('code' in counted) return told(path, counted)
  await print(`${JSON.stringify({ format: 'umbrette-picture', version: 1, ...rounded(counted) })}\n`)
  return []
}

async function photoAt(path: string): Promise<Awaited<ReturnType<typeof readPhoto>> | null> {
  try {
    return await readPhoto(path)
  } catch {
    return null
  }
}

/** Figures to a ten-thousandth of a pixel or millimetre: the same on every machine. */
function rounded<T>(value: T): T {
  if (typeof value === 'number') return Number(value.toFixed(4)) as T
  if (Array.isArray(value)) return value.map(rounded) as T
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, rounded(one)])) as T
  return value
}

await run(measure)
