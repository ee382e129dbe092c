import { readFileSync } from 'node:fs'
import exifr from 'exifr'
import sharp from 'sharp'
import type { Gray } from '../core/picture'
import { focalOf } from '../core/picture'
import { pathOf } from './files'

/** Bytes of a picture file, and pixels, that are taken in. */
const MOST_BYTES = 200_000_000
const MOST_PIXELS = 200_000_000

/**
 * A picture file upright, in grey, with its focal length where its data tell it.
 * @throws what sharp throws for a file that is no picture, or is cut off
 */
export async function readPhoto(path: string): Promise<{ gray: Gray; focal: number | null }> {
  const bytes = readFileSync(pathOf(path))
  if (bytes.length > MOST_BYTES) throw new RangeError('picture: expected fewer bytes')
  const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'warning' })
    .rotate()
    .flatten({ background: '#fff' })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true })
  const gray = { width: info.width, height: info.height, data: firstChannel(data, info.channels) }
  return { gray, focal: focalOf(await tagsOf(bytes), gray.width, gray.height) }
}

function firstChannel(data: Buffer, channels: number): Uint8Array {
  if (channels === 1) return data
  return Uint8Array.from({ length: data.length / channels }, (_, i) => data[i * channels]!)
}

async function tagsOf(bytes: Buffer): Promise<{ FocalLengthIn35mmFormat?: unknown } | null> {
  try {
    return (await exifr.parse(bytes, ['FocalLengthIn35mmFormat'])) as { FocalLengthIn35mmFormat?: unknown } | null
  } catch {
    return null
  }
}
