import sharp from 'sharp'
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
const MOST_PIXELS = 120_000_000

/**
 * Reads a picture by what it is, not by its name, and turns it upright.
 * @throws Problem bad-input for what is no picture, or one that cannot be read
 */
export async function upright(bytes: Buffer): Promise<Upright> {
  const kind = kindOf(bytes)
  if (kind === 'heic') throw new Problem('bad-input', 'This is an HEIC picture, which cannot be read here: set the camera to JPEG ("most compatible") and take it again.')
  if (kind === null) throw new Problem('bad-input', 'This is no picture that can be read: send a JPEG, PNG or WebP.')
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate()
    const { data: body, info } = await image.clone().resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true }).flatten({ background: 'white' }).jpeg({ quality: 82 }).toBuffer({ resolveWithObject: true })
    const thumb = await sharp(body).resize({ width: THUMB, height: THUMB, fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 76 }).toBuffer()
    return { body, thumb, width: info.width, height: info.height }
  } catch (cause) {
    throw new Problem('bad-input', 'This picture is broken or too large to be read: take it again.', [], { cause })
  }
}

function kindOf(bytes: Buffer): 'jpeg' | 'png' | 'webp' | 'heic' | null {
  const ascii = (from: number, to: number) => bytes.subarray(from, to).toString('latin1')
  if (bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'jpeg'
  if (ascii(1, 4) === 'PNG') return 'png'
  if (ascii(0, 4) === 'RIFF' && ascii(8, 12) === 'WEBP') return 'webp'
  return ascii(4, 8) === 'ftyp' && /hei[cfsx]|mif1|hevc/.test(ascii(8, 24)) ? 'heic' : null
}
