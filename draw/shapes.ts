/** Ink by its purpose; who draws says which colour that is, on screen, on paper or in a file. */
export type Ink = 'ground' | 'line' | 'faint' | 'lit' | 'limit'

/**
 * One thing drawn, with the name of what it shows where that is to be found again. Coordinates in units of the drawing,
 * y down.
 */
export type Shape = { name?: string } & (
  | { kind: 'path'; d: string; fill?: Ink; stroke?: Ink; width?: number; at?: { x: number; y: number; turn?: number } }
  | { kind: 'text'; text: string; x: number; y: number; size: number; ink: Ink; anchor: 'start' | 'middle' | 'end' }
)

/** A drawing of a size of its own. */
export interface Drawing {
  width: number
  height: number
  shapes: Shape[]
}

/** Text as it may stand in XML, which has no place for control characters. */
export function escapeText(text: string): string {
  const allowed = Array.from(text)
    .filter((c) => c >= ' ' || c === '\n' || c === '\t')
    .join('')
  return allowed.replaceAll(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`)
}

/** A drawing as an SVG file of its own. */
export function svgOf({ width, height, shapes }: Drawing, inks: Readonly<Record<Ink, string>>, title: string): string {
  const body = shapes.map((shape) => {
    const named = shape.name ? ` data-name="${escapeText(shape.name)}"` : ''
    if (shape.kind === 'text')
      return `<text${named} x="${digits(shape.x)}" y="${digits(shape.y)}" font-size="${shape.size}" text-anchor="${shape.anchor}" fill="${inks[shape.ink]}">${escapeText(shape.text)}</text>`
    const { d, fill, stroke, width: thick = 1, at } = shape
    const place = at
      ? ` transform="translate(${digits(at.x)} ${digits(at.y)})${at.turn ? ` rotate(${digits(at.turn)})` : ''}"`
      : ''
    return `<path${named} d="${d}" fill="${fill ? inks[fill] : 'none'}"${stroke ? ` stroke="${inks[stroke]}" stroke-width="${digits(thick)}" stroke-linecap="round"` : ''}${place}/>`
  })
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="B612, sans-serif"><title>${escapeText(title)}</title><rect width="${width}" height="${height}" fill="${inks.ground}"/>\n${body.join('\n')}\n</svg>\n`
}

function digits(value: number): number {
  return Math.round(value * 100) / 100
}
