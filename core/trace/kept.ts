import type { CamTrace, Trace } from './decode'

/** What is kept of a trace beside a cam's reading, to be drawn again: lines of crank turns and what was then. */
export interface ShownTrace {
  own: readonly number[]
  lags: readonly (readonly [turn: number, lag: number])[]
  speeds: readonly (readonly [turn: number, rpm: number])[]
}

/** A cam's reading as it was kept from a trace. */
export interface KeptCam {
  lag: number
  turns: number
  rpm: number
  error: number
  spread: number
  edges: number
  waver?: { amplitude: number; turns: number; phase?: number }
  shown: ShownTrace
}

/** Points of a line, at most; of longer ones every so manieth is kept. */
const POINTS = 120

/**
 * What a trace shows of a cam, so that it can be drawn again without the file: crank degrees and rpm to two decimals,
 * of more than 120 cycles every so manieth.
 */
export function shownOf({ speeds }: Trace, { own, cycles }: CamTrace): ShownTrace {
  return {
    own: own.map(fine),
    lags: thinned(cycles).map(({ turn, lag }) => [fine(turn), fine(lag)]),
    speeds: thinned(speeds).map(({ turn, rpm }) => [fine(turn), fine(rpm)])
  }
}

/** The trace as far as it was kept with the readings of its cams. */
export function traceAgain(cams: { readonly [sprocket: string]: KeptCam }): Trace | null {
  const [first] = Object.values(cams)
  if (!first) return null
  const rpms = first.shown.speeds.map(([, rpm]) => rpm)
  return {
    cams: Object.fromEntries(
      Object.entries(cams).map(([sprocket, { lag, error, spread, edges, waver, shown }]) => [
        sprocket,
        {
          ...{ lag, error, spread, edges, own: [...shown.own] },
          waver: waver?.phase === undefined ? null : { ...waver, phase: waver.phase },
          cycles: shown.lags.map(([turn, late]) => ({ turn, lag: late }))
        }
      ])
    ),
    turns: first.turns,
    rpm: { mean: first.rpm, low: Math.min(first.rpm, ...rpms), high: Math.max(first.rpm, ...rpms) },
    speeds: first.shown.speeds.map(([turn, rpm]) => ({ turn, rpm })),
    left: { turns: 0 },
    faults: []
  }
}

const fine = (value: number) => Number(value.toFixed(2))

function thinned<T>(line: readonly T[]): T[] {
  const every = Math.ceil(line.length / POINTS)
  return line.filter((_, i) => i % every === 0)
}
