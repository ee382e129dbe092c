import { COMMON, LIMIT_NAMES, SHEET_FORM } from '../../../words/en'
import { english } from '../../../words/spoken'
import { BESIDE_KINDS, LIMIT_KINDS } from '../../../core/sheet'
import { choicesOf } from '../../words'
import type { Draft } from './useSheetDraft'

/** Sections are laid out once for everybody: what they say is English here, and put in the language as it is shown. */
const SAID = { common: english(COMMON), form: english(SHEET_FORM), limits: english(LIMIT_NAMES) }

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
const name: SheetEntry = { key: 'name', label: SAID.common.name, kind: 'text' }
/** By what it is ordered. */
const ordered: SheetEntry[] = [
  { key: 'number', label: SAID.form.partNumber, kind: 'text' },
  { key: 'supplier', label: SAID.form.supplier, kind: 'text' },
  { key: 'stock', label: SAID.form.stock, kind: 'text' }
]
const limit = (at: string, unit: string): SheetEntry[] => [
  { key: `${at}.value`, label: SAID.form.limit, kind: 'number', unit },
  { key: `${at}.source`, label: SAID.form.limitFrom, kind: 'text' }
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
    title: SAID.common.engine,
    says: SAID.form.whichEngineThisIs,
    lists: [],
    fields: [
      { key: 'name', label: SAID.common.name, kind: 'text', wide: true },
      { key: 'engine.cylinders', label: SAID.form.cylinders, kind: 'number' },
      { key: 'engine.layout', label: SAID.form.layout, kind: 'text' },
      { key: 'engine.fuel', label: SAID.form.fuel, kind: 'text' },
      {
        key: 'rotation',
        label: SAID.form.crankTurnsSeenFromThe,
        kind: 'choice',
        options: options('clockwise', 'anticlockwise')
      },
      { key: 'engine.interference', label: SAID.form.valvesCanMeetPistonsInterference, kind: 'flag', wide: true },
      { key: 'note', label: SAID.form.note, kind: 'long', wide: true }
    ]
  },
  {
    key: 'sprockets',
    title: SAID.form.sprockets,
    says: SAID.form.teethAndWhereTheyStand,
    fields: [],
    lists: [
      {
        at: 'sprockets',
        title: SAID.form.sprockets,
        one: SAID.form.sprocket,
        fresh: (draft) => ({ id: freshId(draft, 'sprocket'), name: '', teeth: '' }),
        fields: [
          name,
          { key: 'teeth', label: SAID.form.teeth, kind: 'number' },
          { key: 'bank', label: SAID.form.bank, kind: 'number' },
          { key: 'shaft', label: SAID.form.shaftWhereTwoShareOne, kind: 'text' },
          {
            key: 'side',
            label: SAID.form.drivenBy,
            kind: 'choice',
            options: [
              { value: '', label: SAID.form.insideOfTheChain },
              { value: 'back', label: SAID.form.itsBack }
            ]
          },
          {
            key: 'turns',
            label: SAID.form.turns,
            kind: 'choice',
            options: [{ value: '', label: SAID.form.aCamshaft }, ...options('balance-shaft', 'oil-pump', 'other-pump')]
          },
          {
            key: 'valves',
            label: SAID.form.valves,
            kind: 'choice',
            options: [{ value: '', label: '—' }, ...options('intake', 'exhaust')]
          },
          {
            key: 'offsetKey',
            label: SAID.form.offsetKey,
            kind: 'number',
            unit: '° crank',
            hint: SAID.form.offsetKeySays
          },
          { key: 'tipRadius', label: SAID.form.tipRadius, kind: 'number', unit: 'mm', hint: SAID.form.tipRadiusSays },
          { key: 'centre', label: SAID.form.centre, kind: 'point', unit: 'mm', charted: true }
        ]
      },
      {
        at: 'gears',
        title: SAID.form.gearPairs,
        one: SAID.form.gearPair,
        fresh: (draft) => ({ id: freshId(draft, 'gears'), name: '', driver: '', driven: '', teeth: ['', ''] }),
        fields: [
          name,
          { key: 'driver', label: SAID.form.drivenFrom, kind: 'reference', of: ['sprockets'] },
          { key: 'driven', label: SAID.form.drives, kind: 'reference', of: ['sprockets'] },
          { key: 'teeth', label: SAID.form.teethDrivingAndDriven, kind: 'point' }
        ]
      },
      {
        at: 'beside',
        title: SAID.form.beside,
        one: SAID.form.besideOne,
        fresh: (draft) => ({ id: freshId(draft, 'beside'), name: '', kind: 'camshaft' }),
        fields: [
          name,
          { key: 'kind', label: SAID.form.kind, kind: 'choice', options: options(...BESIDE_KINDS) },
          { key: 'sprocket', label: SAID.form.liesAt, kind: 'reference', of: ['sprockets'] },
          { key: 'bank', label: SAID.form.bank, kind: 'number' }
        ]
      }
    ]
  },
  {
    key: 'rails',
    title: SAID.form.rails,
    says: SAID.form.guidesStandStillAnArm,
    fields: [],
    lists: [
      {
        at: 'rails',
        title: SAID.form.rails,
        one: SAID.form.rail,
        fresh: (draft) => ({ id: freshId(draft, 'rail'), name: '', kind: 'guide', side: 'outside' }),
        fields: [
          name,
          { key: 'kind', label: SAID.form.kind, kind: 'choice', options: options('guide', 'arm', 'bridge') },
          {
            key: 'side',
            label: SAID.form.stands,
            kind: 'choice',
            options: [
              { value: 'outside', label: SAID.form.outsideTheLoop },
              { value: 'inside', label: SAID.form.inside }
            ]
          },
          { key: 'touches', label: SAID.form.touchesATightChain, kind: 'flag' },
          { key: 'shoe.centre', label: SAID.form.centreOfTheShoesCurve, kind: 'point', unit: 'mm', charted: true },
          {
            key: 'shoe.radius',
            label: SAID.form.radiusOfTheChainsPitch,
            kind: 'number',
            unit: 'mm',
            charted: true
          },
          { key: 'slides', label: SAID.form.slidesStraight, kind: 'flag' },
          { key: 'pivot', label: SAID.form.pivotOfAnArm, kind: 'point', unit: 'mm', charted: true }
        ]
      }
    ]
  },
  {
    key: 'chains',
    title: SAID.form.chains,
    says: SAID.form.pitchAndLinksTheWay,
    fields: [],
    lists: [
      {
        at: 'chains',
        title: SAID.form.chains,
        one: SAID.form.chain,
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
          { key: 'pitch', label: SAID.form.pitch, kind: 'number', unit: 'mm' },
          { key: 'links', label: SAID.form.links, kind: 'number' },
          { key: 'type', label: SAID.form.type, kind: 'text' },
          { key: 'strands', label: SAID.form.strands, kind: 'number' },
          { key: 'paintCondemns', label: SAID.form.paintCondemns, kind: 'text', hint: SAID.form.paintCondemnsSays },
          { key: 'driver', label: SAID.form.drivenFrom, kind: 'reference', of: ['sprockets'] },
          {
            key: 'path',
            label: SAID.form.whatTheChainMeetsIn,
            kind: 'path',
            of: ['sprockets', 'rails'],
            wide: true
          },
          { key: 'counts', label: SAID.form.linksFromMarkToMark, kind: 'counts', wide: true },
          {
            key: 'counted.freeLinks',
            label: SAID.form.linksNotOnSprockets,
            kind: 'number',
            hint: SAID.form.forACountedSheet
          },
          {
            key: 'counted.tight',
            label: SAID.form.ofThoseOnTheTight,
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
    title: SAID.form.tensioners,
    says: SAID.form.strokeNotchesAndHowFar,
    fields: [],
    lists: [
      {
        at: 'tensioners',
        title: SAID.form.tensioners,
        one: SAID.form.tensioner,
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
          { key: 'chain', label: SAID.form.tensions, kind: 'reference', of: ['chains'] },
          { key: 'arm', label: SAID.form.pushes, kind: 'reference', of: ['rails'] },
          { key: 'type', label: SAID.form.type, kind: 'text' },
          { key: 'stroke', label: SAID.common.stroke, kind: 'number', unit: 'mm' },
          { key: 'freeExtension', label: SAID.form.freeExtension, kind: 'number', unit: 'mm' },
          ...limit('limit', 'mm'),
          { key: 'ratchet.first', label: SAID.form.firstNotchShowsAt, kind: 'number', unit: 'mm' },
          { key: 'ratchet.pitch', label: SAID.form.notchToNotch, kind: 'number', unit: 'mm' },
          {
            key: 'newExtension',
            label: SAID.form.extensionOfANewDrive,
            kind: 'number',
            unit: 'mm',
            hint: SAID.form.forACountedSheet
          },
          { key: 'gainFrom.elongation', label: SAID.form.secondPointElongationAFraction, kind: 'number' },
          { key: 'gainFrom.extension', label: SAID.form.secondPointExtension, kind: 'number', unit: 'mm' },
          { key: 'gain', label: SAID.form.orMmOutPerMm, kind: 'number' },
          { key: 'railGain', label: SAID.form.mmOutPerMmOf, kind: 'byPart', of: ['rails'], wide: true },
          { key: 'seat', label: SAID.form.plungerTipFullyRetracted, kind: 'point', unit: 'mm', charted: true },
          { key: 'axis', label: SAID.form.plungerMovesTowards, kind: 'number', unit: '° from +x', charted: true },
          { key: 'pad.point', label: SAID.form.aPointOfTheArms, kind: 'point', unit: 'mm', charted: true },
          { key: 'pad.face', label: SAID.form.theFaceRunsTowards, kind: 'number', unit: '° from +x', charted: true },
          { key: 'armRange', label: SAID.form.leastAndGreatestArmAngle, kind: 'point', unit: '°', charted: true }
        ]
      }
    ]
  },
  {
    key: 'marks',
    title: SAID.form.marksPhasers,
    says: SAID.form.whereTheMarksStandAt,
    fields: [],
    lists: [
      {
        at: 'marks',
        title: SAID.form.marks,
        one: SAID.form.mark,
        fresh: () => ({ sprocket: '', at: '12:00' }),
        fields: [
          { key: 'sprocket', label: SAID.form.on, kind: 'reference', of: ['sprockets'] },
          { key: 'at', label: SAID.form.clockPosition, kind: 'text' }
        ]
      },
      {
        at: 'phasers',
        title: SAID.form.phasers,
        one: SAID.form.phaser,
        fresh: (draft) => ({ id: freshId(draft, 'phaser'), name: '', sprocket: '', rest: 'retarded', range: '' }),
        fields: [
          name,
          { key: 'sprocket', label: SAID.form.on, kind: 'reference', of: ['sprockets'] },
          { key: 'rest', label: SAID.form.lockedAtRest, kind: 'choice', options: options('retarded', 'advanced') },
          { key: 'range', label: SAID.form.range, kind: 'number', unit: '° crank' },
          { key: 'tensioner', label: SAID.form.shiftedBy, kind: 'reference', of: ['tensioners'] },
          { key: 'playLimit.value', label: SAID.form.playLimit, kind: 'number', unit: '° crank' },
          { key: 'playLimit.source', label: SAID.form.limitFrom, kind: 'text' }
        ]
      }
    ]
  },
  {
    key: 'triggers',
    title: SAID.form.triggers,
    says: SAID.form.whatATraceIsReadBy,
    lists: [],
    fields: [
      { key: 'triggers.crank.teeth', label: SAID.form.wheelTeeth, kind: 'number' },
      { key: 'triggers.crank.missing', label: SAID.form.wheelMissing, kind: 'number' },
      { key: 'triggers.crank.first', label: SAID.form.wheelFirst, kind: 'number', unit: SAID.form.crankDegrees },
      {
        key: 'triggers.crank.sensor',
        label: SAID.form.wheelSensor,
        kind: 'choice',
        options: [
          { value: 'hall', label: SAID.form.hall },
          { value: 'inductive', label: SAID.form.inductive }
        ]
      },
      { key: 'triggers.cams', label: SAID.form.wheelCams, kind: 'stretches', wide: true }
    ]
  },
  {
    key: 'limits',
    title: SAID.form.limits,
    says: SAID.form.eachWithWhereItComes,
    fields: [],
    lists: [
      {
        at: 'limits',
        title: SAID.form.limits,
        one: SAID.form.limit2,
        fresh: () => ({ kind: 'groove', value: '', unit: 'mm', source: '' }),
        fields: [
          {
            key: 'kind',
            label: SAID.form.of,
            kind: 'choice',
            options: choicesOf(SAID.limits)
          },
          { key: 'value', label: SAID.form.limit, kind: 'number' },
          { key: 'unit', label: SAID.form.unit, kind: 'choice', options: options(...LIMIT_UNITS) },
          { key: 'least', label: SAID.form.least, kind: 'number', hint: SAID.form.leastSays },
          { key: 'per.value', label: SAID.form.perValue, kind: 'number', hint: SAID.form.perSays },
          { key: 'per.usage', label: SAID.form.perUsage, kind: 'number' },
          { key: 'per.unit', label: SAID.form.perUnit, kind: 'choice', options: options('km', 'mi', 'h') },
          { key: 'per.most', label: SAID.form.perMost, kind: 'number' },
          { key: 'source', label: SAID.form.from, kind: 'text' },
          { key: 'chain', label: SAID.form.chain2, kind: 'reference', of: ['chains'] },
          { key: 'rail', label: SAID.form.rail2, kind: 'reference', of: ['rails'] },
          { key: 'tensioner', label: SAID.form.tensioner2, kind: 'reference', of: ['tensioners'] },
          { key: 'sprocket', label: SAID.form.camEmptyEveryCam, kind: 'reference', of: ['sprockets'] }
        ]
      }
    ]
  },
  {
    key: 'work',
    title: SAID.form.operationsParts,
    says: SAID.form.whatItTakesToGet,
    fields: [
      { key: 'money.currency', label: SAID.form.currency, kind: 'text' },
      { key: 'money.hourRate', label: SAID.form.labourAnHour, kind: 'number' }
    ],
    lists: [
      {
        at: 'operations',
        title: SAID.form.operations,
        one: SAID.form.operation,
        fresh: (draft) => ({ id: freshId(draft, 'operation'), name: '', hours: '', requires: [] }),
        fields: [
          name,
          { key: 'hours', label: SAID.form.hoursOfItsOwn, kind: 'number' },
          { key: 'requires', label: SAID.form.comesAfter, kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: SAID.form.usesUp, kind: 'references', of: ['alwaysRenewed'], wide: true },
          { key: 'tools', label: SAID.form.toolsThatMakeOrBreak, kind: 'names', wide: true }
        ]
      },
      {
        at: 'parts',
        title: SAID.common.parts,
        one: SAID.form.part,
        fresh: (draft) => ({ id: freshId(draft, 'part'), name: '', fits: '', price: '', hours: 0, needs: [] }),
        fields: [
          name,
          { key: 'fits', label: SAID.form.takesThePlaceOf, kind: 'reference', of: components },
          { key: 'price', label: SAID.form.price, kind: 'number' },
          { key: 'hours', label: SAID.form.hoursOnceReached, kind: 'number' },
          { key: 'needs', label: SAID.form.reachedBy, kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: SAID.form.comesWith, kind: 'references', of: ['alwaysRenewed'], wide: true },
          ...ordered
        ]
      },
      {
        at: 'alwaysRenewed',
        title: SAID.form.alwaysRenewed,
        one: SAID.form.item,
        fresh: (draft) => ({ id: freshId(draft, 'item'), name: '', kind: 'gasket', price: '' }),
        fields: [
          name,
          {
            key: 'kind',
            label: SAID.form.kind,
            kind: 'choice',
            options: options('seal', 'gasket', 'washer', 'o-ring', 'stretch-bolt', 'cover', 'fluid', 'filter', 'other')
          },
          { key: 'price', label: SAID.form.price, kind: 'number' },
          { key: 'quantity', label: SAID.form.howMany, kind: 'number' },
          ...ordered
        ]
      },
      {
        at: 'waysIn',
        title: SAID.form.otherWaysIn,
        one: SAID.form.wayIn,
        fresh: (draft) => ({ id: freshId(draft, 'way'), name: '', needs: {} }),
        fields: [
          name,
          { key: 'note', label: SAID.form.note, kind: 'long', wide: true },
          {
            key: 'needs',
            label: SAID.form.partsReachedAnotherWayAnd,
            kind: 'needs',
            of: ['operations'],
            wide: true
          }
        ]
      },
      {
        at: 'stopGaps',
        title: SAID.form.stopGaps,
        one: SAID.form.stopGap,
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
          { key: 'tensioner', label: SAID.form.tensioner2, kind: 'reference', of: ['tensioners'] },
          { key: 'price', label: SAID.form.price, kind: 'number' },
          { key: 'hours', label: SAID.form.hoursOnceReached, kind: 'number' },
          { key: 'needs', label: SAID.form.reachedBy, kind: 'references', of: ['operations'], wide: true },
          { key: 'holds', label: SAID.form.holdsFor, kind: 'number' },
          { key: 'months', label: SAID.form.orMonths, kind: 'number' }
        ]
      }
    ]
  },
  {
    key: 'build',
    title: SAID.form.torquesCautions,
    says: SAID.form.howBoltsAreTightenedIn,
    fields: [],
    lists: [
      {
        at: 'torques',
        title: SAID.form.torques,
        one: SAID.form.torque,
        fresh: (draft) => ({ id: freshId(draft, 'torque'), bolt: '', steps: [{ newtonMetres: '' }] }),
        fields: [
          { key: 'bolt', label: SAID.form.bolt, kind: 'text' },
          { key: 'operation', label: SAID.form.at, kind: 'reference', of: ['operations'] },
          { key: 'count', label: SAID.form.howMany, kind: 'number' },
          { key: 'steps', label: SAID.form.steps, kind: 'steps', wide: true },
          { key: 'stretch', label: SAID.form.stretchBoltRenewedEachTime, kind: 'flag' },
          { key: 'leftHand', label: SAID.form.leftHandThread, kind: 'flag' },
          { key: 'note', label: SAID.form.note, kind: 'long', wide: true }
        ]
      },
      {
        at: 'cautions',
        title: SAID.form.cautions,
        one: SAID.form.caution,
        fresh: () => ({ text: '' }),
        fields: [
          { key: 'at', label: SAID.form.standsAt, kind: 'reference', of: ['operations', ...components] },
          { key: 'text', label: SAID.form.says, kind: 'long', wide: true }
        ]
      },
      {
        at: 'superseded',
        title: SAID.form.supersededDesigns,
        one: SAID.form.design,
        fresh: () => ({ part: '', design: '', onSight: true, source: '' }),
        fields: [
          { key: 'part', label: SAID.common.part, kind: 'reference', of: components },
          { key: 'design', label: SAID.form.oldDesign, kind: 'text' },
          { key: 'sign', label: SAID.form.visibleSign, kind: 'text' },
          { key: 'numbers', label: SAID.form.itsNumbers, kind: 'names', wide: true },
          { key: 'onSight', label: SAID.form.renewedOnSight, kind: 'flag' },
          { key: 'source', label: SAID.form.source, kind: 'text' }
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
