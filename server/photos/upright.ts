import { told } from '../../words/problems'
import pLimit from 'p-limit'
import sharp, { type Metadata } from 'sharp'
import { Problem } from '../utils/problem'

/** A picture made ready to be kept: JPEG, turned upright, nothing of its camera or place left in it. */
export interface Upright {
  body: Buffer
  thumb: Buffer
  width: number
  height: number
}

/** px: the longer side of what is kept, and of its thumbnail. */
const LONGEST = 2400
const THUMB = 360
/** Pixels that no phone goes beyond; larger ones are made to exhaust memory. */
const MOST_PIXELS = 50_000_000
/** Seconds that no real picture takes. */
const PATIENCE = 20

/** Pictures worked on at once, in each of the two threads that take any in: each takes some hundred megabytes. */
const few = pLimit(1)

/**
 * Reads a picture by what it is, not by its name, and turns it upright. One that is so already stays as it is to the
 * byte.
 * @throws Problem bad-input for what is no picture, or one that cannot be read
 */
export async function upright(bytes: Buffer): Promise<Upright> {
  const kind = kindOf(bytes)
  if (kind === 'heic') throw new Problem('bad-input', told('picture-heic'))
  if (kind === null) throw new Problem('bad-input', told('picture-unknown'))
  try {
    return await few(() => made(bytes))
  } catch (cause) {
    throw new Problem('bad-input', told('picture-broken'), [], { cause })
  }
}

const options = { limitInputPixels: MOST_PIXELS, failOn: 'error' } as const

async function made(bytes: Buffer): Promise<Upright> {
  const metadata = await sharp(bytes, options).metadata()
  const { body, width, height } = isReady(metadata)
    ? { body: bytes, width: metadata.width, height: metadata.height }
    : await turnUpright(bytes)
  // Reads every pixel, so that a picture which breaks off is found here too.
  const thumb = await sharp(body, options)
    .timeout({ seconds: PATIENCE })
    .resize({ width: THUMB, height: THUMB, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 76 })
    .toBuffer()
  return { body, thumb, width, height }
}

async function turnUpright(bytes: Buffer): Promise<Pick<Upright, 'body' | 'width' | 'height'>> {
  const { data: body, info } = await sharp(bytes, options)
    .rotate()
    .timeout({ seconds: PATIENCE })
    .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: 'white' })
    .jpeg({ quality: 82 })
    .toBuffer({ resolveWithObject: true })
  return { body, width: info.width, height: info.height }
}

/** Is it as pictures are kept here: a JPEG of that size that carries nothing but its pixels? */
function isReady({ format, width, height, orientation, exif, iptc, xmp, icc, comments }: Metadata): boolean {
  return (
    format === 'jpeg' &&
    Math.max(width, height) <= LONGEST &&
    orientation === undefined &&
    !exif &&
    !iptc &&
    !xmp &&
    !icc &&
    !comments?.length
  )
}

function kindOf(bytes: Buffer): 'jpeg' | 'png' | 'webp' | 'heic' | null {
  const ascii = (from: number, to: number) => bytes.subarray(from, to).toString('latin1')
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'jpeg'
  if (ascii(1, 4) === 'PNG') return 'png'
  if (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') return 'webp'
  return ascii(4, 8) === 'ftyp' && /hei[cfsx]|mif1|hevc/.test(ascii(8, 24)) ? 'heic' : null
}
