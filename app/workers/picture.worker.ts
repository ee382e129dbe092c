import { expose } from 'comlink'
import type { Message } from '../../core/check'
import type { FoundCard, Gray, MeasureFile, Measurement } from '../../core/picture'
import { findCard, measurePicture } from '../../core/picture'

/** Measures on one picture, off the main thread: decodes it, looks for the card, works out what taps come to. */
let gray: Gray | null = null

const eye = {
  /** The picture's size, px. @throws where the browser cannot decode it */
  async open(picture: Blob): Promise<[number, number]> {
    const bitmap = await createImageBitmap(picture)
    const { width, height } = bitmap
    const canvas = new OffscreenCanvas(width, height)
    const context = canvas.getContext('2d', { willReadFrequently: true })
    if (!context) throw new Error('canvas: expected a 2d context')
    context.drawImage(bitmap, 0, 0)
    bitmap.close()
    gray = grayOf(context.getImageData(0, 0, width, height))
    return [width, height]
  },
  card: (): FoundCard | Message | null => (gray ? findCard(gray) : null),
  measure: (file: MeasureFile): Measurement | Message => measurePicture(file)
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
