import { COMMON, LIMIT_NAMES, SHEET_FORM } from '../../../words/en'
import { BESIDE_KINDS, LIMIT_KINDS } from '../../../core/sheet'
import { choicesOf } from '../../words'
import type { Draft } from './useSheetDraft'

/** How a field of a drive sheet is entered. */
export type FieldKind =
  | 'text'
  | 'long'
  | 'number'
  | 'choice'
  | 'flag'
  | 'point'
  | 'reference'
  | 'references'
  | 'byPart'
  | 'steps'
  | 'needs'
  | 'path'
  | 'counts'
  | 'names'
  | 'stretches'

export interface SheetEntry {
  /** Under its entry: `teeth`, `shoe.radius`. */
  key: string
  label: string
  kind: FieldKind
  unit?: string
  options?: readonly { value: string; label: string }[]
  /** Lists of the sheet whose entries can be named. */
  of?: readonly string[]
  hint?: string
  /** Only with coordinates: grouped apart, as a counted sheet does without. */
  charted?: boolean
  wide?: boolean
}

export interface Section {
  key: string
  title: string
  says: string
  /** Lists of entries; a section without them has fields of the sheet itself. */
  lists: readonly EntryList[]
  fields: readonly SheetEntry[]
}

export interface EntryList {
  /** Where it stands in the sheet. */
  at: string
  title: string
  one: string
  fields: readonly SheetEntry[]
  fresh: (draft: Draft) => Record<string, unknown>
}

/** Units that limits are in. */
const LIMIT_UNITS = [...new Set(Object.values(LIMIT_KINDS).map(({ unit }) => unit))]
const options = (...values: string[]) => values.map((value) => ({ value, label: value }))
const name: SheetEntry = { key: 'name', label: COMMON.name, kind: 'text' }
/** By what it is ordered. */
const ordered: SheetEntry[] = [
  { key: 'number', label: SHEET_FORM.partNumber, kind: 'text' },
  { key: 'supplier', label: SHEET_FORM.supplier, kind: 'text' },
  { key: 'stock', label: SHEET_FORM.stock, kind: 'text' }
]
const limit = (at: string, unit: string): SheetEntry[] => [
  { key: `${at}.value`, label: SHEET_FORM.limit, kind: 'number', unit },
  { key: `${at}.source`, label: SHEET_FORM.limitFrom, kind: 'text' }
]
const components = ['chains', 'rails', 'tensioners', 'sprockets', 'phasers'] as const

/** An id that no entry of the draft has yet. */
export function freshId(draft: Draft, stem: string): string {
  const taken = new Set(
    [
      'sprockets',
      'rails',
      'tensioners',
      'chains',
      'phasers',
      'operations',
      'parts',
      'alwaysRenewed',
      'waysIn',
      'torques',
      'gears',
      'beside',
      'stopGaps'
    ].flatMap((list) => ((draft[list] as { id: string }[] | undefined) ?? []).map(({ id }) => id))
  )
  for (let i = 1; ; i++) if (!taken.has(`${stem}-${i}`)) return `${stem}-${i}`
}

/** What a drive sheet is made of, in the order a shop comes to know it. */
export const SECTIONS: readonly Section[] = [
  {
    key: 'engine',
    title: COMMON.engine,
    says: SHEET_FORM.whichEngineThisIs,
    lists: [],
    fields: [
      { key: 'name', label: COMMON.name, kind: 'text', wide: true },
      { key: 'engine.cylinders', label: SHEET_FORM.cylinders, kind: 'number' },
      { key: 'engine.layout', label: SHEET_FORM.layout, kind: 'text' },
      { key: 'engine.fuel', label: SHEET_FORM.fuel, kind: 'text' },
      {
        key: 'rotation',
        label: SHEET_FORM.crankTurnsSeenFromThe,
        kind: 'choice',
        options: options('clockwise', 'anticlockwise')
      },
      { key: 'engine.interference', label: SHEET_FORM.valvesCanMeetPistonsInterference, kind: 'flag', wide: true },
      { key: 'note', label: SHEET_FORM.note, kind: 'long', wide: true }
    ]
  },
  {
    key: 'sprockets',
    title: SHEET_FORM.sprockets,
    says: SHEET_FORM.teethAndWhereTheyStand,
    fields: [],
    lists: [
      {
        at: 'sprockets',
        title: SHEET_FORM.sprockets,
        one: SHEET_FORM.sprocket,
        fresh: (draft) => ({ id: freshId(draft, 'sprocket'), name: '', teeth: '' }),
        fields: [
          name,
          { key: 'teeth', label: SHEET_FORM.teeth, kind: 'number' },
          { key: 'bank', label: SHEET_FORM.bank, kind: 'number' },
          { key: 'shaft', label: SHEET_FORM.shaftWhereTwoShareOne, kind: 'text' },
          {
            key: 'side',
            label: SHEET_FORM.drivenBy,
            kind: 'choice',
            options: [
              { value: '', label: SHEET_FORM.insideOfTheChain },
              { value: 'back', label: SHEET_FORM.itsBack }
            ]
          },
          {
            key: 'turns',
            label: SHEET_FORM.turns,
            kind: 'choice',
            options: [{ value: '', label: SHEET_FORM.aCamshaft }, ...options('balance-shaft', 'oil-pump', 'other-pump')]
          },
          {
            key: 'valves',
            label: SHEET_FORM.valves,
            kind: 'choice',
            options: [{ value: '', label: '—' }, ...options('intake', 'exhaust')]
          },
          {
            key: 'offsetKey',
            label: SHEET_FORM.offsetKey,
            kind: 'number',
            unit: '° crank',
            hint: SHEET_FORM.offsetKeySays
          },
          { key: 'tipRadius', label: SHEET_FORM.tipRadius, kind: 'number', unit: 'mm', hint: SHEET_FORM.tipRadiusSays },
          { key: 'centre', label: SHEET_FORM.centre, kind: 'point', unit: 'mm', charted: true }
        ]
      },
      {
        at: 'gears',
        title: SHEET_FORM.gearPairs,
        one: SHEET_FORM.gearPair,
        fresh: (draft) => ({ id: freshId(draft, 'gears'), name: '', driver: '', driven: '', teeth: ['', ''] }),
        fields: [
          name,
          { key: 'driver', label: SHEET_FORM.drivenFrom, kind: 'reference', of: ['sprockets'] },
          { key: 'driven', label: SHEET_FORM.drives, kind: 'reference', of: ['sprockets'] },
          { key: 'teeth', label: SHEET_FORM.teethDrivingAndDriven, kind: 'point' }
        ]
      },
      {
        at: 'beside',
        title: SHEET_FORM.beside,
        one: SHEET_FORM.besideOne,
        fresh: (draft) => ({ id: freshId(draft, 'beside'), name: '', kind: 'camshaft' }),
        fields: [
          name,
          { key: 'kind', label: SHEET_FORM.kind, kind: 'choice', options: options(...BESIDE_KINDS) },
          { key: 'sprocket', label: SHEET_FORM.liesAt, kind: 'reference', of: ['sprockets'] },
          { key: 'bank', label: SHEET_FORM.bank, kind: 'number' }
        ]
      }
    ]
  },
  {
    key: 'rails',
    title: SHEET_FORM.rails,
    says: SHEET_FORM.guidesStandStillAnArm,
    fields: [],
    lists: [
      {
        at: 'rails',
        title: SHEET_FORM.rails,
        one: SHEET_FORM.rail,
        fresh: (draft) => ({ id: freshId(draft, 'rail'), name: '', kind: 'guide', side: 'outside' }),
        fields: [
          name,
          { key: 'kind', label: SHEET_FORM.kind, kind: 'choice', options: options('guide', 'arm', 'bridge') },
          {
            key: 'side',
            label: SHEET_FORM.stands,
            kind: 'choice',
            options: [
              { value: 'outside', label: SHEET_FORM.outsideTheLoop },
              { value: 'inside', label: SHEET_FORM.inside }
            ]
          },
          { key: 'touches', label: SHEET_FORM.touchesATightChain, kind: 'flag' },
          { key: 'shoe.centre', label: SHEET_FORM.centreOfTheShoesCurve, kind: 'point', unit: 'mm', charted: true },
          {
            key: 'shoe.radius',
            label: SHEET_FORM.radiusOfTheChainsPitch,
            kind: 'number',
            unit: 'mm',
            charted: true
          },
          { key: 'slides', label: SHEET_FORM.slidesStraight, kind: 'flag' },
          { key: 'pivot', label: SHEET_FORM.pivotOfAnArm, kind: 'point', unit: 'mm', charted: true }
        ]
      }
    ]
  },
  {
    key: 'chains',
    title: SHEET_FORM.chains,
    says: SHEET_FORM.pitchAndLinksTheWay,
    fields: [],
    lists: [
      {
        at: 'chains',
        title: SHEET_FORM.chains,
        one: SHEET_FORM.chain,
        fresh: (draft) => ({
          id: freshId(draft, 'chain'),
          name: '',
          pitch: '',
          links: '',
          type: 'bush',
          driver: '',
          path: [],
          counts: []
        }),
        fields: [
          name,
          { key: 'pitch', label: SHEET_FORM.pitch, kind: 'number', unit: 'mm' },
          { key: 'links', label: SHEET_FORM.links, kind: 'number' },
          { key: 'type', label: SHEET_FORM.type, kind: 'text' },
          { key: 'strands', label: SHEET_FORM.strands, kind: 'number' },
          { key: 'paintCondemns', label: SHEET_FORM.paintCondemns, kind: 'text', hint: SHEET_FORM.paintCondemnsSays },
          { key: 'driver', label: SHEET_FORM.drivenFrom, kind: 'reference', of: ['sprockets'] },
          {
            key: 'path',
            label: SHEET_FORM.whatTheChainMeetsIn,
            kind: 'path',
            of: ['sprockets', 'rails'],
            wide: true
          },
          { key: 'counts', label: SHEET_FORM.linksFromMarkToMark, kind: 'counts', wide: true },
          {
            key: 'counted.freeLinks',
            label: SHEET_FORM.linksNotOnSprockets,
            kind: 'number',
            hint: SHEET_FORM.forACountedSheet
          },
          {
            key: 'counted.tight',
            label: SHEET_FORM.ofThoseOnTheTight,
            kind: 'byPart',
            of: ['sprockets'],
            wide: true
          }
        ]
      }
    ]
  },
  {
    key: 'tensioners',
    title: SHEET_FORM.tensioners,
    says: SHEET_FORM.strokeNotchesAndHowFar,
    fields: [],
    lists: [
      {
        at: 'tensioners',
        title: SHEET_FORM.tensioners,
        one: SHEET_FORM.tensioner,
        fresh: (draft) => ({
          id: freshId(draft, 'tensioner'),
          name: '',
          chain: '',
          arm: '',
          stroke: '',
          type: 'hydraulic'
        }),
        fields: [
          name,
          { key: 'chain', label: SHEET_FORM.tensions, kind: 'reference', of: ['chains'] },
          { key: 'arm', label: SHEET_FORM.pushes, kind: 'reference', of: ['rails'] },
          { key: 'type', label: SHEET_FORM.type, kind: 'text' },
          { key: 'stroke', label: COMMON.stroke, kind: 'number', unit: 'mm' },
          { key: 'freeExtension', label: SHEET_FORM.freeExtension, kind: 'number', unit: 'mm' },
          ...limit('limit', 'mm'),
          { key: 'ratchet.first', label: SHEET_FORM.firstNotchShowsAt, kind: 'number', unit: 'mm' },
          { key: 'ratchet.pitch', label: SHEET_FORM.notchToNotch, kind: 'number', unit: 'mm' },
          {
            key: 'newExtension',
            label: SHEET_FORM.extensionOfANewDrive,
            kind: 'number',
            unit: 'mm',
            hint: SHEET_FORM.forACountedSheet
          },
          { key: 'gainFrom.elongation', label: SHEET_FORM.secondPointElongationAFraction, kind: 'number' },
          { key: 'gainFrom.extension', label: SHEET_FORM.secondPointExtension, kind: 'number', unit: 'mm' },
          { key: 'gain', label: SHEET_FORM.orMmOutPerMm, kind: 'number' },
          { key: 'railGain', label: SHEET_FORM.mmOutPerMmOf, kind: 'byPart', of: ['rails'], wide: true },
          { key: 'seat', label: SHEET_FORM.plungerTipFullyRetracted, kind: 'point', unit: 'mm', charted: true },
          { key: 'axis', label: SHEET_FORM.plungerMovesTowards, kind: 'number', unit: '° from +x', charted: true },
          { key: 'pad.point', label: SHEET_FORM.aPointOfTheArms, kind: 'point', unit: 'mm', charted: true },
          { key: 'pad.face', label: SHEET_FORM.theFaceRunsTowards, kind: 'number', unit: '° from +x', charted: true },
          { key: 'armRange', label: SHEET_FORM.leastAndGreatestArmAngle, kind: 'point', unit: '°', charted: true }
        ]
      }
    ]
  },
  {
    key: 'marks',
    title: SHEET_FORM.marksPhasers,
    says: SHEET_FORM.whereTheMarksStandAt,
    fields: [],
    lists: [
      {
        at: 'marks',
        title: SHEET_FORM.marks,
        one: SHEET_FORM.mark,
        fresh: () => ({ sprocket: '', at: '12:00' }),
        fields: [
          { key: 'sprocket', label: SHEET_FORM.on, kind: 'reference', of: ['sprockets'] },
          { key: 'at', label: SHEET_FORM.clockPosition, kind: 'text' }
        ]
      },
      {
        at: 'phasers',
        title: SHEET_FORM.phasers,
        one: SHEET_FORM.phaser,
        fresh: (draft) => ({ id: freshId(draft, 'phaser'), name: '', sprocket: '', rest: 'retarded', range: '' }),
        fields: [
          name,
          { key: 'sprocket', label: SHEET_FORM.on, kind: 'reference', of: ['sprockets'] },
          { key: 'rest', label: SHEET_FORM.lockedAtRest, kind: 'choice', options: options('retarded', 'advanced') },
          { key: 'range', label: SHEET_FORM.range, kind: 'number', unit: '° crank' },
          { key: 'tensioner', label: SHEET_FORM.shiftedBy, kind: 'reference', of: ['tensioners'] },
          { key: 'playLimit.value', label: SHEET_FORM.playLimit, kind: 'number', unit: '° crank' },
          { key: 'playLimit.source', label: SHEET_FORM.limitFrom, kind: 'text' }
        ]
      }
    ]
  },
  {
    key: 'triggers',
    title: SHEET_FORM.triggers,
    says: SHEET_FORM.whatATraceIsReadBy,
    lists: [],
    fields: [
      { key: 'triggers.crank.teeth', label: SHEET_FORM.wheelTeeth, kind: 'number' },
      { key: 'triggers.crank.missing', label: SHEET_FORM.wheelMissing, kind: 'number' },
      { key: 'triggers.crank.first', label: SHEET_FORM.wheelFirst, kind: 'number', unit: SHEET_FORM.crankDegrees },
      {
        key: 'triggers.crank.sensor',
        label: SHEET_FORM.wheelSensor,
        kind: 'choice',
        options: [
          { value: 'hall', label: SHEET_FORM.hall },
          { value: 'inductive', label: SHEET_FORM.inductive }
        ]
      },
      { key: 'triggers.cams', label: SHEET_FORM.wheelCams, kind: 'stretches', wide: true }
    ]
  },
  {
    key: 'limits',
    title: SHEET_FORM.limits,
    says: SHEET_FORM.eachWithWhereItComes,
    fields: [],
    lists: [
      {
        at: 'limits',
        title: SHEET_FORM.limits,
        one: SHEET_FORM.limit2,
        fresh: () => ({ kind: 'groove', value: '', unit: 'mm', source: '' }),
        fields: [
          {
            key: 'kind',
            label: SHEET_FORM.of,
            kind: 'choice',
            options: choicesOf(LIMIT_NAMES)
          },
          { key: 'value', label: SHEET_FORM.limit, kind: 'number' },
          { key: 'unit', label: SHEET_FORM.unit, kind: 'choice', options: options(...LIMIT_UNITS) },
          { key: 'least', label: SHEET_FORM.least, kind: 'number', hint: SHEET_FORM.leastSays },
          { key: 'per.value', label: SHEET_FORM.perValue, kind: 'number', hint: SHEET_FORM.perSays },
          { key: 'per.usage', label: SHEET_FORM.perUsage, kind: 'number' },
          { key: 'per.unit', label: SHEET_FORM.perUnit, kind: 'choice', options: options('km', 'mi', 'h') },
          { key: 'per.most', label: SHEET_FORM.perMost, kind: 'number' },
          { key: 'source', label: SHEET_FORM.from, kind: 'text' },
          { key: 'chain', label: SHEET_FORM.chain2, kind: 'reference', of: ['chains'] },
          { key: 'rail', label: SHEET_FORM.rail2, kind: 'reference', of: ['rails'] },
          { key: 'tensioner', label: SHEET_FORM.tensioner2, kind: 'reference', of: ['tensioners'] },
          { key: 'sprocket', label: SHEET_FORM.camEmptyEveryCam, kind: 'reference', of: ['sprockets'] }
        ]
      }
    ]
  },
  {
    key: 'work',
    title: SHEET_FORM.operationsParts,
    says: SHEET_FORM.whatItTakesToGet,
    fields: [
      { key: 'money.currency', label: SHEET_FORM.currency, kind: 'text' },
      { key: 'money.hourRate', label: SHEET_FORM.labourAnHour, kind: 'number' }
    ],
    lists: [
      {
        at: 'operations',
        title: SHEET_FORM.operations,
        one: SHEET_FORM.operation,
        fresh: (draft) => ({ id: freshId(draft, 'operation'), name: '', hours: '', requires: [] }),
        fields: [
          name,
          { key: 'hours', label: SHEET_FORM.hoursOfItsOwn, kind: 'number' },
          { key: 'requires', label: SHEET_FORM.comesAfter, kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: SHEET_FORM.usesUp, kind: 'references', of: ['alwaysRenewed'], wide: true },
          { key: 'tools', label: SHEET_FORM.toolsThatMakeOrBreak, kind: 'names', wide: true }
        ]
      },
      {
        at: 'parts',
        title: COMMON.parts,
        one: SHEET_FORM.part,
        fresh: (draft) => ({ id: freshId(draft, 'part'), name: '', fits: '', price: '', hours: 0, needs: [] }),
        fields: [
          name,
          { key: 'fits', label: SHEET_FORM.takesThePlaceOf, kind: 'reference', of: components },
          { key: 'price', label: SHEET_FORM.price, kind: 'number' },
          { key: 'hours', label: SHEET_FORM.hoursOnceReached, kind: 'number' },
          { key: 'needs', label: SHEET_FORM.reachedBy, kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: SHEET_FORM.comesWith, kind: 'references', of: ['alwaysRenewed'], wide: true },
          ...ordered
        ]
      },
      {
        at: 'alwaysRenewed',
        title: SHEET_FORM.alwaysRenewed,
        one: SHEET_FORM.item,
        fresh: (draft) => ({ id: freshId(draft, 'item'), name: '', kind: 'gasket', price: '' }),
        fields: [
          name,
          {
            key: 'kind',
            label: SHEET_FORM.kind,
            kind: 'choice',
            options: options('seal', 'gasket', 'washer', 'o-ring', 'stretch-bolt', 'cover', 'fluid', 'filter', 'other')
          },
          { key: 'price', label: SHEET_FORM.price, kind: 'number' },
          { key: 'quantity', label: SHEET_FORM.howMany, kind: 'number' },
          ...ordered
        ]
      },
      {
        at: 'waysIn',
        title: SHEET_FORM.otherWaysIn,
        one: SHEET_FORM.wayIn,
        fresh: (draft) => ({ id: freshId(draft, 'way'), name: '', needs: {} }),
        fields: [
          name,
          { key: 'note', label: SHEET_FORM.note, kind: 'long', wide: true },
          {
            key: 'needs',
            label: SHEET_FORM.partsReachedAnotherWayAnd,
            kind: 'needs',
            of: ['operations'],
            wide: true
          }
        ]
      },
      {
        at: 'stopGaps',
        title: SHEET_FORM.stopGaps,
        one: SHEET_FORM.stopGap,
        fresh: (draft) => ({
          id: freshId(draft, 'stop-gap'),
          name: '',
          tensioner: '',
          price: '',
          hours: '',
          needs: [],
          holds: ''
        }),
        fields: [
          name,
          { key: 'tensioner', label: SHEET_FORM.tensioner2, kind: 'reference', of: ['tensioners'] },
          { key: 'price', label: SHEET_FORM.price, kind: 'number' },
          { key: 'hours', label: SHEET_FORM.hoursOnceReached, kind: 'number' },
          { key: 'needs', label: SHEET_FORM.reachedBy, kind: 'references', of: ['operations'], wide: true },
          { key: 'holds', label: SHEET_FORM.holdsFor, kind: 'number' },
          { key: 'months', label: SHEET_FORM.orMonths, kind: 'number' }
        ]
      }
    ]
  },
  {
    key: 'build',
    title: SHEET_FORM.torquesCautions,
    says: SHEET_FORM.howBoltsAreTightenedIn,
    fields: [],
    lists: [
      {
        at: 'torques',
        title: SHEET_FORM.torques,
        one: SHEET_FORM.torque,
        fresh: (draft) => ({ id: freshId(draft, 'torque'), bolt: '', steps: [{ newtonMetres: '' }] }),
        fields: [
          { key: 'bolt', label: SHEET_FORM.bolt, kind: 'text' },
          { key: 'operation', label: SHEET_FORM.at, kind: 'reference', of: ['operations'] },
          { key: 'count', label: SHEET_FORM.howMany, kind: 'number' },
          { key: 'steps', label: SHEET_FORM.steps, kind: 'steps', wide: true },
          { key: 'stretch', label: SHEET_FORM.stretchBoltRenewedEachTime, kind: 'flag' },
          { key: 'leftHand', label: SHEET_FORM.leftHandThread, kind: 'flag' },
          { key: 'note', label: SHEET_FORM.note, kind: 'long', wide: true }
        ]
      },
      {
        at: 'cautions',
        title: SHEET_FORM.cautions,
        one: SHEET_FORM.caution,
        fresh: () => ({ text: '' }),
        fields: [
          { key: 'at', label: SHEET_FORM.standsAt, kind: 'reference', of: ['operations', ...components] },
          { key: 'text', label: SHEET_FORM.says, kind: 'long', wide: true }
        ]
      },
      {
        at: 'superseded',
        title: SHEET_FORM.supersededDesigns,
        one: SHEET_FORM.design,
        fresh: () => ({ part: '', design: '', onSight: true, source: '' }),
        fields: [
          { key: 'part', label: COMMON.part, kind: 'reference', of: components },
          { key: 'design', label: SHEET_FORM.oldDesign, kind: 'text' },
          { key: 'sign', label: SHEET_FORM.visibleSign, kind: 'text' },
          { key: 'numbers', label: SHEET_FORM.itsNumbers, kind: 'names', wide: true },
          { key: 'onSight', label: SHEET_FORM.renewedOnSight, kind: 'flag' },
          { key: 'source', label: SHEET_FORM.source, kind: 'text' }
        ]
      }
    ]
  }
]

/** The section in which a place of the sheet is filled in. */
export function sectionOf(place: string): string {
  const list = SECTIONS.find(({ lists }) => lists.some(({ at }) => place === at || place.startsWith(`${at}[`)))
  if (list) return list.key
  return (
    SECTIONS.find(({ fields }) => fields.some(({ key }) => place === key || place.startsWith(key.split('.')[0]!)))
      ?.key ?? 'engine'
  )
}
