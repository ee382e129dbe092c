import type { Drawing, Shape } from './shapes'

/** px between two drawings, and below them for what they are. */
const [GAP, FOOT] = [24, 26]

/** Two drawings beside each other, each with its caption below: normal, and as found. */
export function besideMaps(left: Drawing, right: Drawing, captions: readonly [string, string]): Drawing {
  const height = Math.max(left.height, right.height)
  const by = left.width + GAP
  const caption = (text: string, x: number): Shape => ({
    kind: 'text',
    text,
    x,
    y: height + 16,
    size: 13,
    ink: 'line',
    anchor: 'middle'
  })
  return {
    width: by + right.width,
    height: height + FOOT,
    shapes: [
      ...left.shapes,
      ...right.shapes.map((shape) => moved(shape, by)),
      caption(captions[0], left.width / 2),
      caption(captions[1], by + right.width / 2)
    ]
  }
}

function moved(shape: Shape, by: number): Shape {
  if (shape.kind === 'text') return { ...shape, x: shape.x + by }
  return {
    ...shape,
    at: { x: (shape.at?.x ?? 0) + by, y: shape.at?.y ?? 0, ...(shape.at?.turn ? { turn: shape.at.turn } : {}) }
  }
}
