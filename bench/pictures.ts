import { sheetFaults } from '../core/drive'
import { countLinks, findCard, measurePicture, type MeasureFile, type Result, settleFront } from '../core/picture'
import { pitchRadius, type Point, randomness, type Roll } from '../core/math'
import { DEMO_SHEETS } from '../demo/workshop'
import { tapFront, withoutPlaces } from '../test/support/fronts'
import { cardPhoto, chainPhoto } from '../test/support/photos'
import { makeCamera, measureFile, seenCard, tapped } from '../test/support/pictures'

/** How well pictures measure: made scenes of known truth, at least 300 of each (or another number, named behind). */

const wanted = Number(process.argv[2] ?? 300)
const TAP = 1.5

interface Case {
  error: number
  sigma: number
}

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!

function report(name: string, cases: readonly Case[]): void {
  const errors = cases.map(({ error }) => Math.abs(error))
  const held = cases.filter(({ error, sigma }) => Math.abs(error) <= 1.645 * sigma).length / cases.length
  const sorted = [...errors].sort((a, b) => a - b)
  console.log(
    `${name.padEnd(34)} ${cases.length}  median ${median(errors).toFixed(3)} mm  95 % ${sorted[Math.floor(0.95 * sorted.length)]!.toFixed(3)}  90 % holds ${(100 * held).toFixed(1)} %  ± ${(1.645 * median(cases.map(({ sigma }) => sigma))).toFixed(3)}`
  )
}

function run(name: string, make: (roll: Roll) => Case[]): void {
  const cases: Case[] = []
  for (let seed = 0; cases.length < wanted; seed++) cases.push(...make(randomness(7919 * seed + 17)))
  report(name, cases)
}

function results(file: MeasureFile): Result[] {
  const found = measurePicture(file)
  if ('code' in found) throw new Error(`${found.code} ${JSON.stringify(found.figures)}`)
  return found.results
}

/** Somewhere beside the card. */
const place = (roll: Roll): Point => [roll.between(-90, 90), roll.between(-70, 70)]

function lengthCase(told: boolean, focal: boolean) {
  return (roll: Roll): Case[] => {
    const camera = makeCamera(roll)
    const mm = roll.between(20, 120)
    const [x, y] = place(roll)
    const way = roll.between(0, 2 * Math.PI)
    const above = told ? roll.between(-15, 15) : roll.normal(1.82)
    const end: Point = [x + mm * Math.cos(way), y + mm * Math.sin(way)]
    const file = measureFile(camera, {
      plane: [seenCard(roll, camera, 'a6', { z: -above })],
      measure: [
        { kind: 'length', a: tapped(roll, camera.pixel(x, y), TAP), b: tapped(roll, camera.pixel(...end), TAP) }
      ],
      ...(told ? { behind: above } : {}),
      ...(focal ? {} : { focal: undefined })
    })
    const [one] = results(file)
    return one && 'value' in one ? [{ error: one.value - mm, sigma: one.sigma }] : []
  }
}

function compareCase(card: boolean) {
  return (roll: Roll): Case[] => {
    const camera = makeCamera(
      roll,
      card ? { distance: roll.between(220, 320) } : { distance: roll.between(220, 320), tilt: roll.between(0, 8) }
    )
    const [pitch, links] = [8, 20]
    const [long, more] = [pitch * links, pitch * links * roll.between(0, 0.01)]
    const pin = (x: number, y: number) => tapped(roll, camera.pixel(x - long / 2, y), TAP)
    const file = measureFile(camera, {
      plane: card ? [seenCard(roll, camera, 'a6', { at: [0, 80] })] : [],
      measure: [
        { kind: 'compare', old: [pin(0, 10), pin(long + more, 10)], new: [pin(0, -10), pin(long, -10)], links, pitch }
      ],
      behind: 0
    })
    const [one] = results(file)
    return one && 'value' in one ? [{ error: one.value - more, sigma: one.sigma }] : []
  }
}

function knownCase(roll: Roll): Case[] {
  const camera = makeCamera(roll, { tilt: roll.between(0, 12) })
  const mm = roll.between(20, 120)
  const [x, y] = place(roll)
  const way = roll.between(0, 2 * Math.PI)
  const at = (px: number, py: number) => tapped(roll, camera.pixel(px, py), TAP)
  const file = measureFile(camera, {
    plane: [{ kind: 'known', a: at(-50, 0), b: at(50, 0), mm: 100 }],
    measure: [{ kind: 'length', a: at(x, y), b: at(x + mm * Math.cos(way), y + mm * Math.sin(way)) }]
  })
  const [one] = results(file)
  return one && 'value' in one ? [{ error: one.value - mm, sigma: one.sigma }] : []
}

function rimOf(
  roll: Roll,
  camera: ReturnType<typeof makeCamera>,
  [x, y]: Point,
  radius: number,
  taps: number
): Point[] {
  const from = roll.between(0, 2 * Math.PI)
  return Array.from({ length: taps }, (_, i) => {
    const a = from + ((i + roll.between(-0.2, 0.2)) * 2 * Math.PI) / taps
    return tapped(roll, camera.pixel(x + radius * Math.cos(a), y + radius * Math.sin(a)), TAP)
  })
}

function rimCase(roll: Roll): Case[] {
  const camera = makeCamera(roll)
  const mm = roll.between(20, 120)
  const [x, y] = place(roll)
  const way = roll.between(0, 2 * Math.PI)
  const at = (px: number, py: number) => tapped(roll, camera.pixel(px, py), TAP)
  const file = measureFile(camera, {
    plane: [{ kind: 'rim', teeth: 40, pitch: 8, points: rimOf(roll, camera, [0, 0], pitchRadius(8, 40), 8) }],
    measure: [{ kind: 'length', a: at(x, y), b: at(x + mm * Math.cos(way), y + mm * Math.sin(way)) }]
  })
  const [one] = results(file)
  return one && 'value' in one ? [{ error: one.value - mm, sigma: one.sigma }] : []
}

function layoutCase(card: boolean, at?: 'tips') {
  return (roll: Roll): Case[] => {
    const camera = makeCamera(roll, { distance: roll.between(450, 700), focal: 2600 })
    const truth: Record<string, { teeth: number; centre: Point }> = {
      crank: { teeth: 21, centre: [0, -130] },
      'cam-in': { teeth: 42, centre: [-62 + roll.normal(5), 110 + roll.normal(5)] },
      'cam-ex': { teeth: 42, centre: [64 + roll.normal(5), 112 + roll.normal(5)] }
    }
    const pitch = 8
    const file = measureFile(camera, {
      plane: card ? [seenCard(roll, camera, 'a6', { z: -roll.normal(1.82) })] : [],
      measure: [
        {
          kind: 'layout',
          sprockets: Object.fromEntries(
            Object.entries(truth).map(([id, { teeth, centre }]) => [
              id,
              {
                teeth,
                pitch,
                ...(at ? { at } : {}),
                rim: rimOf(
                  roll,
                  camera,
                  centre,
                  pitchRadius(pitch, teeth) + (at ? pitch * (0.33 + roll.normal(0.08)) : 0),
                  3 + roll.below(4)
                )
              }
            ])
          )
        }
      ]
    })
    const [one] = results(file)
    if (!one || !('centres' in one)) return []
    const from = truth.crank!.centre
    return Object.entries(one.centres)
      .slice(1)
      .flatMap(([id, { x, y, sigma }]) => {
        const { centre } = truth[id]!
        // Without a card the picture's long side is x: only distances are the drive's own.
        if (!card)
          return [
            {
              error: Math.hypot(x, y) - Math.hypot(centre[0] - from[0], centre[1] - from[1]),
              sigma
            }
          ]
        return [
          { error: x - (centre[0] - from[0]), sigma },
          { error: y - (centre[1] - from[1]), sigma }
        ]
      })
  }
}

run('length, card, offset not told', lengthCase(false, true))
run('length, card, offset told', lengthCase(true, true))
run('length, card, no focal length', lengthCase(false, false))
run('length, a known length', knownCase)
run('length, a rim', rimCase)
run('old beside new, card', compareCase(true))
run('old beside new, no card', compareCase(false))
run('layout, card', layoutCase(true))
run('layout, rims alone', layoutCase(false))
run('layout, tooth tips', layoutCase(true, 'tips'))

/** Whole fronts of the sample engines: centres, shoes and closing chains; how many come to a sound sheet. */
function runFronts(): void {
  const sheets = DEMO_SHEETS.filter(({ sprockets }) => sprockets.every(({ centre }) => centre))
  const cases: Case[] = []
  let [sound, all] = [0, 0]
  for (let seed = 0; all < wanted; seed++) {
    const roll = randomness(4111 * seed + 3)
    const sheet = sheets[seed % sheets.length]!
    const camera = makeCamera(roll, { distance: roll.between(550, 700), focal: 2600 })
    const front = settleFront(withoutPlaces(sheet), tapFront(roll, sheet, camera))
    all++
    if ('code' in front || sheetFaults(front.sheet).length > 0) continue
    sound++
    const [first, ...others] = front.sheet.sprockets
    const apart = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])
    others.forEach(({ id, centre }, i) => {
      const truth = apart(sheet.sprockets[i + 1]!.centre!, sheet.sprockets[0]!.centre!)
      const sigma = front.sigmas[id]
      if (sigma !== undefined) cases.push({ error: apart(centre!, first!.centre!) - truth, sigma })
    })
  }
  report('front, curves and closing chains', cases)
  console.log(`fronts that come to a sound sheet        ${sound} of ${all}`)
}

runFronts()

/** Card corners on rendered photos: how far off, how many photos refused. */
async function runCards(): Promise<void> {
  const off: number[] = []
  let [refused, wrong] = [0, 0]
  const started = performance.now()
  for (let seed = 0; seed < wanted; seed++) {
    const photo = await cardPhoto(randomness(1000 + 31 * seed), seed)
    const found = findCard(photo.gray)
    if ('code' in found) {
      refused++
      continue
    }
    const far = Object.entries(found.corners).flatMap(([place, corners]) =>
      (corners ?? []).map(([x, y], i) => {
        const [u, v] = photo.corner(Number(place), i)
        return Math.hypot(x - u, y - v)
      })
    )
    off.push(...far)
    if (Math.max(...far) > 0.4 || found.card !== photo.card) wrong++
  }
  console.log(
    `card on photos ${wanted}  median ${median(off).toFixed(3)} px  largest ${Math.max(...off).toFixed(3)} px  refused ${refused}  wrong ${wrong}  ${((performance.now() - started) / wanted).toFixed(0)} ms each, rendering in it`
  )
}

/** Links counted on rendered photos, with the sheet's count told (off by one, two) and with nothing told. */
async function runLinks(): Promise<void> {
  const tallies = { told: { right: 0, doubted: 0, wrong: 0 }, untold: { right: 0, doubted: 0, wrong: 0 } }
  for (let seed = 0; seed < wanted; seed++) {
    const roll = randomness(500 + 37 * seed)
    const { gray, line, links } = await chainPhoto(roll, seed)
    for (const [name, hints] of [
      ['told', { links: Math.round(links) + Math.round(roll.normal(1)) }],
      ['untold', {}]
    ] as const) {
      const counted = countLinks(gray, line, hints)
      const sort = 'code' in counted || !counted.sure ? 'doubted' : counted.links === links ? 'right' : 'wrong'
      tallies[name][sort]++
    }
  }
  for (const [name, { right, doubted, wrong }] of Object.entries(tallies))
    console.log(`links on photos, ${name.padEnd(6)} ${wanted}  right ${right}  doubt said ${doubted}  wrong ${wrong}`)
}

await runCards()
await runLinks()
