import aruco from 'js-aruco2'
import type { Message } from '../check'
import type { Point } from '../math'
import { CARDS, type CardId } from './cards'
import { sharpenCorners } from './edges'
import { type Gray, reduced } from './gray'
import { measurePicture } from './measure'
import { say } from './says'
import type { Known } from './schema'

/** The dictionary of the codes (S. Garrido-Jurado and others, 2016), and bits of a code that may be misread. */
const CODES = { dictionaryName: 'ARUCO_MIP_36h12', maxHammingDistance: 5 }
/** px of the longer side at which codes are looked for, largest first: small ones need many, blurred ones few. */
const LOOKED_AT = [2000, 1000, 500]
/** px by which the corners of codes that lie on one flat card agree. */
const AGREES = 0.6

export type FoundCard = Extract<Known, { kind: 'card' }>

/**
 * The scale card on a picture: its codes, their corners to a part of a pixel, checked against each other.
 * @returns what is wrong instead: none, only one of its codes, two of them, one that lies not flat or is partly covered
 */
export function findCard(picture: Gray): FoundCard | Message {
  const codes = codesOn(picture)
  const cards = (Object.keys(CARDS) as CardId[]).filter((card) => placesOn(codes, card).length > 0)
  if (cards.length === 0) return say('no-card')
  if (cards.length > 1 || codes.some(({ id }, i) => codes.findIndex((other) => other.id === id) !== i))
    return say('two-cards')
  const [card] = cards as [CardId]
  const seen = placesOn(codes, card).flatMap(({ place, corners }) => {
    const sharp = sharpenCorners(picture, corners)
    return sharp ? [{ place, corners: sharp }] : []
  })
  const agreeing = largestAgreement(picture, card, seen)
  return agreeing ?? say(seen.length < 2 ? 'half-a-card' : 'card-not-flat')
}

interface Code {
  id: number
  corners: Point[]
}

interface Placed {
  place: number
  corners: Point[]
}

function placesOn(codes: readonly Code[], card: CardId): Placed[] {
  return codes.flatMap(({ id, corners }) => {
    const place = id - CARDS[card].first
    return place >= 0 && place < 4 ? [{ place, corners }] : []
  })
}

/** Codes of any card, each once from the finest picture that it is read on; the same one at two places stands twice. */
function codesOn(picture: Gray): Code[] {
  const found: Code[] = []
  for (const most of LOOKED_AT) {
    const { picture: small, times } = reduced(picture, most)
    for (const { id, corners } of new aruco.AR.Detector(CODES).detect(inColour(small))) {
      const code = { id, corners: corners.map(({ x, y }): Point => [(x + 0.5) * times, (y + 0.5) * times]) }
      if (id < 8 && !found.some((other) => other.id === id && near(other, code))) found.push(code)
    }
    if ([0, 4].some((first) => [0, 1, 2, 3].every((k) => found.some(({ id }) => id === first + k)))) break
  }
  return found
}

/** The same code, found once more. */
function near(a: Code, b: Code): boolean {
  const side = Math.hypot(a.corners[1]![0] - a.corners[0]![0], a.corners[1]![1] - a.corners[0]![1])
  return Math.hypot(a.corners[0]![0] - b.corners[0]![0], a.corners[0]![1] - b.corners[0]![1]) < side
}

/** The reader of codes takes colours. */
function inColour({ width, height, data }: Gray): { width: number; height: number; data: Uint8ClampedArray } {
  const colour = new Uint8ClampedArray(4 * width * height)
  for (let i = 0; i < width * height; i++) {
    colour[4 * i] = colour[4 * i + 1] = colour[4 * i + 2] = data[i]!
    colour[4 * i + 3] = 255
  }
  return { width, height, data: colour }
}

/** As many codes as agree on one flat card, two at least. */
function largestAgreement({ width, height }: Gray, card: CardId, seen: readonly Placed[]): FoundCard | null {
  const sets = subsets(seen).sort((a, b) => b.length - a.length)
  for (const set of sets) {
    const found: FoundCard = {
      kind: 'card',
      card,
      corners: Object.fromEntries(set.map(({ place, corners }) => [String(place), corners])) as FoundCard['corners']
    }
    const fit = measurePicture({
      format: 'umbrette-picture',
      version: 1,
      size: [width, height],
      plane: [found],
      measure: []
    })
    if (!('code' in fit) && fit.corner !== null && fit.corner < AGREES) return found
  }
  return null
}

function subsets(seen: readonly Placed[]): Placed[][] {
  return Array.from({ length: 1 << seen.length }, (_, mask) => seen.filter((__, i) => mask & (1 << i))).filter(
    // One code may be half covered; where as many disagree as agree, the card is bent.
    (set) => set.length >= 2 && 2 * set.length > seen.length
  )
}

/** Bits of a code, row by row, 6 by 6, true where it is bright: for who prints it. */
export function codeBits(id: number): boolean[] {
  return [...new aruco.AR.Dictionary(CODES.dictionaryName).codeList[id]!].map((bit) => bit === '1')
}
