import { asNew, camsOf, chainModel, chainPicture, type TensionerPicture } from '../../core/drive'
import type { FrontTaps } from '../../core/picture'
import { type Point, type Roll, rotate } from '../../core/math'
import { clockAngle, type DriveSheet } from '../../core/sheet'
import { type MadeCamera, seenCard, tapped } from './pictures'

/** What somebody taps on a photo of a sheet's open front, its chains so long, each tap off by its own. */
export function tapFront(
  roll: Roll,
  sheet: DriveSheet,
  camera: MadeCamera,
  { card = true, tap = 1.5, elongation = 0 } = {}
): FrontTaps {
  const middle = middleOf(sheet)
  const pixel = ([x, y]: Point) => tapped(roll, camera.pixel(x - middle[0], y - middle[1]), tap)
  const on = ([x, y]: Point, radius: number, angle: number): Point => {
    const [ux, uy] = rotate([1, 0], angle)
    return [x + radius * ux, y + radius * uy]
  }
  const pictures = sheet.chains.flatMap((chain) => {
    const model = chainModel(sheet, chain)
    return (
      chainPicture(
        sheet,
        chain,
        { ...asNew(model), elongation },
        camsOf(sheet, chain).map(() => 0)
      ) ?? []
    )
  })
  const back = ({ seat, axis }: TensionerPicture) => pixel([seat[0] - 45 * axis[0], seat[1] - 45 * axis[1]])
  const many = (count: number, from: number, to: number) =>
    Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1))
  const sprockets = pictures.flatMap((picture) => picture.sprockets)
  const rails = pictures.flatMap((picture) => picture.rails)
  const centres = new Map(sprockets.map(({ id, centre }) => [id, centre]))
  return {
    size: camera.size,
    focal: camera.focal,
    plane: card ? [seenCard(roll, camera, 'a5')] : [],
    ...(card ? { behind: 0 } : {}),
    ran: elongation > 0,
    rims: Object.fromEntries(
      sprockets.map(({ id, centre, radius }) => [
        id,
        many(6, roll.between(0, 60), roll.between(300, 340)).map((angle) => pixel(on(centre, radius, angle)))
      ])
    ),
    shoes: Object.fromEntries(
      rails.map(({ id, centre, radius, from, to }) => [
        id,
        many(5, from, to).map((angle) => pixel(on(centre, radius, angle)))
      ])
    ),
    pivots: Object.fromEntries(
      sheet.rails.flatMap(({ id, pivot, slides }) => (pivot && !slides ? [[id, pixel(pivot)]] : []))
    ),
    plungers: Object.fromEntries(
      pictures.flatMap(({ tensioner }) =>
        tensioner ? [[tensioner.id, [back(tensioner), pixel(tensioner.seat), pixel(tensioner.tip)] as const]] : []
      )
    ),
    marks: Object.fromEntries(
      sheet.marks.flatMap(({ sprocket, at: clock }) => {
        const centre = centres.get(sprocket)
        return centre ? [[sprocket, pixel(on(centre, 12, clockAngle(clock)))]] : []
      })
    )
  }
}

/** The middle of a sheet's drive, mm: where a camera is aimed. */
export function middleOf({ sprockets }: DriveSheet): Point {
  const centres = sprockets.flatMap(({ centre }) => (centre ? [centre] : []))
  const middle = (k: 0 | 1) => (Math.min(...centres.map((at) => at[k])) + Math.max(...centres.map((at) => at[k]))) / 2
  return [middle(0), middle(1)]
}

/** A sheet without its coordinates, as it is made from counts. */
export function withoutPlaces(sheet: DriveSheet): DriveSheet {
  return {
    ...sheet,
    sprockets: sheet.sprockets.map(({ centre: _, ...rest }) => rest),
    rails: sheet.rails.map(({ shoe: _, pivot: __, ...rest }) => rest),
    tensioners: sheet.tensioners.map(({ axis: _, seat: __, pad: ___, armRange: ____, ...rest }) => rest)
  }
}
