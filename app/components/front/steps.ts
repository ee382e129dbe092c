import { FRONT } from '../../../words/en'
import type { Point } from '../../../core/math'
import type { FrontTaps } from '../../../core/picture'
import type { DriveSheet } from '../../../core/sheet'

/** What of a part is tapped on a photo of an open front. */
export interface Step {
  id: string
  part: string
  what: 'rim' | 'curve' | 'pivot' | 'plunger' | 'mark'
  label: string
  /** What the sheet says of it. */
  says: string
  how: string
  least: number
  most: number
}

/** Everything that can be tapped of a sheet's parts, chain by chain in the order the chain meets them. */
export function stepsOf({ sprockets, rails, tensioners, chains, marks }: DriveSheet): Step[] {
  const met = chains.flatMap(({ path }) => path)
  const inOrder = <T extends { id: string }>(list: readonly T[]) =>
    [...list].sort((a, b) => placeIn(met, a.id) - placeIn(met, b.id))
  const step = (
    part: { id: string; name: string },
    what: Step['what'],
    [least, most]: readonly [number, number],
    how: string,
    says = ''
  ): Step => ({ id: `${what} ${part.id}`, part: part.id, what, label: part.name, says, how, least, most })
  return [
    ...inOrder(sprockets).map((sprocket) => {
      const pitch = chains.find(({ path }) => path.includes(sprocket.id))?.pitch
      const says = pitch === undefined ? '' : FRONT.sprocket(sprocket.teeth, pitch)
      return step(sprocket, 'rim', [3, 12], FRONT.tapRim, says)
    }),
    ...inOrder(rails)
      .filter(({ touches }) => touches !== false)
      .flatMap((rail) => [
        step(rail, 'curve', [3, 12], FRONT.tapShoe),
        ...(rail.kind === 'arm' && !rail.slides ? [step(rail, 'pivot', [1, 1], FRONT.tapPivot)] : [])
      ]),
    ...tensioners.map((tensioner) => step(tensioner, 'plunger', [3, 3], FRONT.tapPlunger)),
    ...sprockets
      .filter(({ id }) => marks.some(({ sprocket }) => sprocket === id))
      .map((sprocket) => step(sprocket, 'mark', [1, 1], FRONT.tapMark))
  ]
}

const placeIn = (met: readonly string[], id: string) => {
  const at = met.indexOf(id)
  return at < 0 ? met.length : at
}

/** Points by the step that they belong to, px. */
export type Tapped = Readonly<Record<string, readonly Point[]>>

/** What is tapped, as it settles a front; steps that are not whole are left out. */
export function tapsOf(
  steps: readonly Step[],
  points: Tapped
): Pick<FrontTaps, 'rims' | 'shoes' | 'pivots' | 'plungers' | 'marks'> {
  const of = (what: Step['what']) =>
    steps.flatMap((step) => {
      const put = points[step.id] ?? []
      return step.what === what && put.length > 0 && (step.most > 3 || put.length === step.least)
        ? [[step.part, put] as const]
        : []
    })
  const single = (what: Step['what']) => Object.fromEntries(of(what).map(([part, [at]]) => [part, at!]))
  return {
    rims: Object.fromEntries(of('rim')),
    shoes: Object.fromEntries(of('curve')),
    pivots: single('pivot'),
    marks: single('mark'),
    plungers: Object.fromEntries(
      of('plunger').map(([part, [back, face, tip]]) => [part, [back!, face!, tip!] as const])
    )
  }
}
