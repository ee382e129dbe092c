import sharp from 'sharp'
import { told } from '../../words/problems'
import { Problem } from '../utils/problem'

/** px that a logo is brought down to: sharp at the head of a printed page, small in every report that keeps it. */
const FITS = { width: 480, height: 160 }
const options = { limitInputPixels: 50_000_000, failOn: 'error' } as const

/** A picture as a logo: PNG, clear where it was. @throws Problem bad-input for what is no picture */
export async function asLogo(bytes: Buffer): Promise<Buffer> {
  try {
    return await sharp(bytes, options)
      .timeout({ seconds: 20 })
      .rotate()
      .resize({ ...FITS, fit: 'inside', withoutEnlargement: true })
      .png({ compressionLevel: 9, palette: true })
      .toBuffer()
  } catch (cause) {
    throw new Problem('bad-input', told('picture-unknown'), [], { cause })
  }
}
