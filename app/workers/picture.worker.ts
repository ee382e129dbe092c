import { expose } from 'comlink'
import type { Message } from '../../core/check'
import type { Point } from '../../core/math'
import type {
  CountedLinks,
  FoundCard,
  FrontTaps,
  Gray,
  LineHints,
  MeasureFile,
  Measurement,
  SettledFront
} from '../../core/picture'
import { countLinks, findCard, measurePicture, settleFront } from '../../core/picture'
import type { DriveSheet } from '../../core/sheet'

/** Measures on one picture, off the main thread: decodes it, looks for the card, works out what taps come to. */
let gray: Gray | null = null

/** Pixels of the largest picture that is measured on. */
const MOST_PIXELS = 60e6

const eye = {
  /** The picture's size, px; null for one that is too large. @throws where the browser cannot decode it */
  async open(picture: Blob): Promise<[number, number] | null> {
    const bitmap = await createImageBitmap(picture)
    const { width, height } = bitmap
    if (width * height > MOST_PIXELS) {
      bitmap.close()
      return null
    }
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) throw new Error('canvas: expected a 2d context')
    context.drawImage(bitmap, 0, 0)
    bitmap.close()
    gray = grayOf(context.getImageData(0, 0, width, height))
    return [width, height]
  },
  card: (): FoundCard | Message | null => (gray ? findCard(gray) : null),
  measure: (file: MeasureFile): Measurement | Message => measurePicture(file),
  links: (line: readonly Point[], hints: LineHints): CountedLinks | Message | null =>
    gray ? countLinks(gray, line, hints) : null,
  settle: (sheet: DriveSheet, taps: FrontTaps): SettledFront | Message => settleFront(sheet, taps)
}

/** Brightness as the eye weighs colours (ITU-R BT.601). */
function grayOf({ width, height, data }: ImageData): Gray {
  const brightness = new Uint8Array(width * height)
  for (let i = 0; i < brightness.length; i++)
    brightness[i] = (77 * data[4 * i]! + 150 * data[4 * i + 1]! + 29 * data[4 * i + 2]!) >> 8
  return { width, height, data: brightness }
}

export type Eye = typeof eye

expose(eye)
