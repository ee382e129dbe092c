import { listOf, needed, num, pair, shape, type Shape, text } from '../../check'

/** A figure that a trace showed. */
export const traced = () => num(0, 1e8).required(needed)

/** The file of a trace, so that it can be taken again: its name, and its SHA-256 in hexadecimal. */
export const traceFile = () => ({
  file: text(200).required(needed),
  hash: text(64).required(needed),
  turns: traced(),
  rpm: traced(),
  /** crank degrees: standard error. */
  error: traced()
})

/** Most points of each line of what a trace showed, and edges of a cam. */
const [POINTS, EDGES] = [120, 64]
const shownLine = () => listOf(pair(1e6).required(needed), POINTS).required(needed)

/** The trace that a reading was taken from, and what it showed. */
export const traceRead = () =>
  shape({
    ...traceFile(),
    /** crank degrees, from turn to turn. */
    spread: traced(),
    edges: traced(),
    /** Of the lag, what repeats with the chain: crank degrees, and crank turns. */
    waver: shape({ amplitude: traced(), turns: traced(), phase: num(-360, 360) }),
    /** Was it held against a good trace? Then that one's file. */
    good: text(200),
    /** What was drawn of it, so that it can be looked at again without the file. */
    shown: shape({
      /** Each edge's own shift beside the lag, crank degrees. */
      own: listOf(num(-720, 720).required(needed), EDGES).required(needed),
      /** Crank turns, and how late the cam came then, crank degrees. */
      lags: shownLine(),
      /** Crank turns, and rpm. */
      speeds: shownLine()
    })
  })

/** The trace that a reading was taken from. */
export type TraceRead = NonNullable<Shape<ReturnType<typeof traceRead>>>
