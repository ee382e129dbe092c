/** mm: diagonal of the film that focal lengths are told for (36 × 24). */
const FILM = Math.hypot(36, 24)
/** mm: focal lengths that a camera may have, told so. */
const [SHORTEST, LONGEST] = [8, 800]

/**
 * The focal length that a picture's own data tell, px; null where they tell none that a camera has.
 * @param tags of its EXIF block
 */
export function focalOf(
  tags: { FocalLengthIn35mmFormat?: unknown } | null | undefined,
  width: number,
  height: number
): number | null {
  const told = tags?.FocalLengthIn35mmFormat
  if (typeof told !== 'number' || !(told >= SHORTEST && told <= LONGEST)) return null
  return (told / FILM) * Math.hypot(width, height)
}
