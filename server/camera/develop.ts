import sharp from 'sharp'
import { randomness } from '../../core/math'

/** What a camera does to what it sees. */
export interface Development {
  /** px: standard deviation of its blur. */
  blur: number
  /** Standard deviation of the noise, of 255. */
  noise: number
  /** JPEG's quality. */
  quality: number
  seed: number
}

/** A picture as a camera gives it: blurred, with noise, as JPEG. */
export async function develop(svg: string, { blur, noise, quality, seed }: Development): Promise<Buffer> {
  const drawn = sharp(Buffer.from(svg), { limitInputPixels: 60_000_000, unlimited: true }).removeAlpha().greyscale()
  const { data, info } = await (blur >= 0.3 ? drawn.blur(blur) : drawn).raw().toBuffer({ resolveWithObject: true })
  const grains = grainOf(seed)
  for (let i = 0; i < data.length; i++) {
    const value = data[i]! + noise * grains[(i * 7919 + (i >> 12) * 104_729) & (GRAINS - 1)]!
    data[i] = value < 0 ? 0 : value > 255 ? 255 : value
  }
  return sharp(data, { raw: { width: info.width, height: info.height, channels: 1 } })
    .jpeg({ quality })
    .toBuffer()
}

const GRAINS = 1 << 16

/** Noise is drawn once and laid over the picture out of step with its rows. */
function grainOf(seed: number): Float32Array {
  const { normal } = randomness(seed)
  return Float32Array.from({ length: GRAINS }, () => normal(1))
}
