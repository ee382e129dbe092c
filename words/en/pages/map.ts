import type { Shown } from '../../say'

export const DRIVE_MAP = {
  driveMapOfTurningSeen: (name: Shown, rotation: Shown) =>
    `Drive map of ${name}, turning ${rotation} seen from the front`,
  thisSheetIsCountedIt:
    'This sheet is counted: it has no coordinates to draw. Choose a part at either side; the figures work all the same.',
  wearDrawn: 'Wear drawn',
  tensionerLetGo: 'Tensioner let go',
  table: 'Table',
  theDriveAsFigures: 'The drive as figures',
  standsAt: 'Stands at',
  call: 'Call',
  slackWithTheTensionerLet: (from: Shown, to: Shown) => `Slack with the tensioner let go, ${from} to ${to}`,
  atTheMiddleOfThe: (slack: Shown, sag: Shown) => `${slack}, ${sag} at the middle of the span`,
  links: (links: Shown, counted: Shown | null) => `${links} links${counted === null ? '' : `, counted ${counted}`}`,
  backToTheMap: 'Back to the map'
}

export const RUN_COUNT = {
  says: (from: Shown, to: Shown, links: Shown, read: number | null) =>
    `${from} to ${to}: ${links} links, ${read === null ? 'not counted yet' : `counted ${read}`}`
}

export const SLACK_SHAPE = {
  slack: (slack: Shown) => `slack ${slack}`
}

export const PART_LABELS = {
  toRidingOver: (share: Shown) => `${share} to riding over`,
  standsClear: 'stands clear',
  teeth: (teeth: Shown) => `${teeth} teeth`,
  worn: (mean: Shown, limit: Shown | null, unit: Shown) =>
    `${mean}${limit === null ? '' : ` of ${limit}`} ${unit} worn`,
  of: (stands: Shown, stroke: Shown) => `${stands} of ${stroke}`,
  ofLimit: (elongation: Shown, limit: Shown) => `${elongation} of ${limit} %`
}

/** What a trace said of the chain, beside its ribbon on the map. */
export const MAP_WAVER = {
  says: (amplitude: Shown, turns: Shown) =>
    `By the trace the cam comes ${amplitude}° later where the ribbon on the map is wide, once in ${turns} crank turns: a piece of the chain is longer there, or a link is stiff. Turn it by hand and feel each link.`
}
