import type { Point } from '../math'

/** A picture's brightness, 0 to 255, row by row from the top left. */
export interface Gray {
  width: number
  height: number
  data: Uint8Array | Uint8ClampedArray
}

/** Brightness between pixels (whole pixels have their middle at .5); at the edge that of the edge. */
export function brightnessAt({ width, height, data }: Gray, [u, v]: Point): number {
  const x = Math.min(Math.max(u - 0.5, 0), width - 1.001)
  const y = Math.min(Math.max(v - 0.5, 0), height - 1.001)
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [right, down] = [x - left, y - top]
  const at = top * width + left
  const upper = data[at]! * (1 - right) + data[at + 1]! * right
  const lower = data[at + width]! * (1 - right) + data[at + width + 1]! * right
  return upper * (1 - down) + lower * down
}

/** Half as many pixels each way, each the mean of four, until neither side is longer than so many. */
export function reduced(picture: Gray, most: number): { picture: Gray; times: number } {
  let [small, times] = [picture, 1]
  while (Math.max(small.width, small.height) > most) {
    small = halved(small)
    times *= 2
  }
  return { picture: small, times }
}

function halved({ width, height, data }: Gray): Gray {
  const [w, h] = [width >> 1, height >> 1]
  const half = new Uint8Array(w * h)
  for (let y = 0; y < h; y++) {
    const upper = 2 * y * width
    for (let x = 0; x < w; x++) {
      const at = upper + 2 * x
      half[y * w + x] = (data[at]! + data[at + 1]! + data[at + width]! + data[at + width + 1]! + 2) >> 2
    }
  }
  return { width: w, height: h, data: half }
}
