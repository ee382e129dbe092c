import { needed, num, shape, type Shape, text } from '../../check'

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

/** The trace that a reading was taken from, and what it showed. */
export const traceRead = () =>
  shape({
    ...traceFile(),
    /** crank degrees, from turn to turn. */
    spread: traced(),
    edges: traced(),
    /** Of the lag, what repeats with the chain: crank degrees, and crank turns. */
    waver: shape({ amplitude: traced(), turns: traced() }),
    /** Was it held against a good trace? Then that one's file. */
    good: text(200)
  })

/** The trace that a reading was taken from. */
export type TraceRead = NonNullable<Shape<ReturnType<typeof traceRead>>>
