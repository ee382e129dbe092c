import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { linkVertical } from 'd3-shape'

/**
 * Draws docs/architecture.svg: folders of the code, and which of them knows which, as dependency-cruiser finds it. With
 * --check it only looks whether that is so.
 */
interface Module {
  source: string
  dependencies: { resolved: string }[]
}

const TOP = ['app', 'server', 'cli', 'draw', 'words', 'core']
const [BOX_WIDTH, BOX_HEIGHT, ROW, COLUMN] = [150, 34, 66, 190]

/** The box a file lies in: a layer of the core, or a folder beside it. */
function boxOf(path: string): string | null {
  const [folder, layer] = path.split('/')
  if (!TOP.includes(folder!)) return null
  return folder === 'core' ? `core/${layer}` : folder!
}

function cruise(): Module[] {
  const out = execFileSync(
    'npx',
    ['--no-install', 'depcruise', '--config', '.dependency-cruiser.cjs', '--output-type', 'json', ...TOP],
    { encoding: 'utf8', maxBuffer: 1e9 }
  )
  return (JSON.parse(out) as { modules: Module[] }).modules
}

/** Who knows whom. */
function boxesOf(modules: readonly Module[]): Map<string, Set<string>> {
  const knows = new Map<string, Set<string>>()
  for (const { source, dependencies } of modules) {
    const from = boxOf(source)
    if (!from) continue
    const known = knows.get(from) ?? new Set()
    for (const to of dependencies.map(({ resolved }) => boxOf(resolved))) if (to && to !== from) known.add(to)
    knows.set(from, known)
  }
  return knows
}

/** The longest way down from a box: its row. */
function rowsOf(knows: ReadonlyMap<string, ReadonlySet<string>>): (box: string) => number {
  const rows = new Map<string, number>()
  const rowOf = (box: string): number => {
    const known = rows.get(box)
    if (known !== undefined) return known
    const row =
      Math.max(-1, ...[...(knows.get(box) ?? [])].filter((to) => !(knows.get(to)?.has(box) && box > to)).map(rowOf)) + 1
    rows.set(box, row)
    return row
  }
  return rowOf
}

/** Arrows that no chain of other arrows says already. */
function arrowsOf(knows: ReadonlyMap<string, ReadonlySet<string>>): [from: string, to: string][] {
  const reaches = (from: string, to: string, seen = new Set<string>()): boolean =>
    [...(knows.get(from) ?? [])].some(
      (next) => next === to || (!seen.has(next) && (seen.add(next), reaches(next, to, seen)))
    )
  return [...knows].flatMap(([from, known]) =>
    [...known]
      .filter((to) => ![...known].some((other) => other !== to && reaches(other, to)))
      .map((to): [string, string] => [from, to])
  )
}

function draw(): string {
  const knows = boxesOf(cruise())
  const rowOf = rowsOf(knows)
  const rows: string[][] = []
  for (const box of [...knows.keys()].sort()) (rows[rowOf(box)] ??= []).push(box)
  const [width, height] = [COLUMN * Math.max(...rows.map((row) => row.length)) + 40, ROW * rows.length + 20]
  const places = new Map(
    rows.flatMap((row, level) =>
      row.map((box, i) => [
        box,
        { x: width / 2 + (i - (row.length - 1) / 2) * COLUMN, y: height - 10 - ROW * (level + 0.5) }
      ])
    )
  )
  const link = linkVertical<unknown, [number, number]>()
  const arrows = arrowsOf(knows).map(([from, to]) => {
    const [a, b] = [places.get(from)!, places.get(to)!]
    return `<path d="${link({ source: [a.x, a.y + BOX_HEIGHT / 2], target: [b.x, b.y - BOX_HEIGHT / 2 - 5] })}" fill="none" stroke="#5b564d" stroke-width="1.5" marker-end="url(#tip)"/>`
  })
  const boxes = [...places].map(
    ([box, { x, y }]) =>
      `<g transform="translate(${x - BOX_WIDTH / 2} ${y - BOX_HEIGHT / 2})"><rect width="${BOX_WIDTH}" height="${BOX_HEIGHT}" fill="${box.startsWith('core/') ? '#f3ecdc' : '#e3e8ea'}" stroke="#2b2924"/><text x="${BOX_WIDTH / 2}" y="22" text-anchor="middle" font-weight="bold">${box}</text></g>`
  )
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="14" fill="#2b2924">`,
    '<defs><marker id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path d="M0 0L8 4L0 8z" fill="#5b564d"/></marker></defs>',
    `<rect width="${width}" height="${height}" fill="#fff"/>`,
    ...arrows,
    ...boxes,
    '</svg>',
    ''
  ].join('\n')
}

const FILE = 'docs/architecture.svg'
const picture = draw()
if (!process.argv.includes('--check')) writeFileSync(FILE, picture)
else if (readFileSync(FILE, 'utf8') !== picture) {
  console.error(`${FILE} is not of this code: npm run layers draws it anew`)
  process.exit(1)
}
