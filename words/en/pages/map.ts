import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const DRIVE_MAP = texts({
  driveMapOfTurningSeen: (name: Shown, rotation: Shown) =>
    t`Drive map of ${name}, turning ${rotation} seen from the front`,
  thisSheetIsCountedIt:
    'This sheet is counted: it has no coordinates to draw. Choose a part at either side; the figures work all the same.',
  wearDrawn: 'Wear drawn',
  tensionerLetGo: 'Tensioner let go',
  table: 'Table',
  theDriveAsFigures: 'The drive as figures',
  standsAt: 'Stands at',
  call: 'Call',
  slackWithTheTensionerLet: (from: Shown, to: Shown) => t`Slack with the tensioner let go, ${from} to ${to}`,
  atTheMiddleOfThe: (slack: Shown, sag: Shown) => t`${slack}, ${sag} at the middle of the span`,
  links: (links: Shown, counted: Shown | null) => t`${links} links${counted === null ? '' : t`, counted ${counted}`}`,
  backToTheMap: 'Back to the map'
})

export const RUN_COUNT = {
  says: (from: Shown, to: Shown, links: Shown, read: number | null) =>
    t`${from} to ${to}: ${links} links, ${read === null ? t`not counted yet` : t`counted ${read}`}`
}

export const SLACK_SHAPE = {
  slack: (slack: Shown) => t`slack ${slack}`
}

export const PART_LABELS = texts({
  toRidingOver: (share: Shown) => t`${share} to riding over`,
  standsClear: 'stands clear',
  teeth: (teeth: Shown) => t`${teeth} teeth`,
  worn: (mean: Shown, limit: Shown | null, unit: Shown) =>
    t`${mean}${limit === null ? '' : t` of ${limit}`} ${unit} worn`,
  of: (stands: Shown, stroke: Shown) => t`${stands} of ${stroke}`,
  ofLimit: (elongation: Shown, limit: Shown) => t`${elongation} of ${limit} %`
})

/** What a trace said of the chain, beside its ribbon on the map. */
export const MAP_WAVER = {
  says: (amplitude: Shown, turns: Shown) =>
    t`By the trace the cam comes ${amplitude}° later where the ribbon on the map is wide, once in ${turns} crank turns: a piece of the chain is longer there, or a link is stiff. Turn it by hand and feel each link.`
}
