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

const options = (...values: string[]) => values.map((value) => ({ value, label: value }))
const name: SheetEntry = { key: 'name', label: 'Name', kind: 'text' }
const limit = (at: string, unit: string): SheetEntry[] => [
  { key: `${at}.value`, label: 'Limit', kind: 'number', unit },
  { key: `${at}.source`, label: 'Limit from', kind: 'text' }
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
      'gears'
    ].flatMap((list) => ((draft[list] as { id: string }[] | undefined) ?? []).map(({ id }) => id))
  )
  for (let i = 1; ; i++) if (!taken.has(`${stem}-${i}`)) return `${stem}-${i}`
}

/** What a drive sheet is made of, in the order a shop comes to know it. */
export const SECTIONS: readonly Section[] = [
  {
    key: 'engine',
    title: 'Engine',
    says: 'Which engine this is.',
    lists: [],
    fields: [
      { key: 'name', label: 'Name', kind: 'text', wide: true },
      { key: 'engine.cylinders', label: 'Cylinders', kind: 'number' },
      { key: 'engine.layout', label: 'Layout', kind: 'text' },
      { key: 'engine.fuel', label: 'Fuel', kind: 'text' },
      {
        key: 'rotation',
        label: 'Crank turns, seen from the chain end',
        kind: 'choice',
        options: options('clockwise', 'anticlockwise')
      },
      { key: 'engine.interference', label: 'Valves can meet pistons (interference engine)', kind: 'flag', wide: true },
      { key: 'note', label: 'Note', kind: 'long', wide: true }
    ]
  },
  {
    key: 'sprockets',
    title: 'Sprockets',
    says: 'Teeth, and where they stand. Centres are in mm, x to the right and y up, seen from the chain end; leave all of them empty for a counted sheet.',
    fields: [],
    lists: [
      {
        at: 'sprockets',
        title: 'Sprockets',
        one: 'sprocket',
        fresh: (draft) => ({ id: freshId(draft, 'sprocket'), name: '', teeth: '' }),
        fields: [
          name,
          { key: 'teeth', label: 'Teeth', kind: 'number' },
          { key: 'bank', label: 'Bank', kind: 'number' },
          { key: 'shaft', label: 'Shaft, where two share one', kind: 'text' },
          {
            key: 'side',
            label: 'Driven by',
            kind: 'choice',
            options: [
              { value: '', label: 'inside of the chain' },
              { value: 'back', label: 'its back' }
            ]
          },
          { key: 'centre', label: 'Centre', kind: 'point', unit: 'mm', charted: true }
        ]
      },
      {
        at: 'gears',
        title: 'Gear pairs',
        one: 'gear pair',
        fresh: (draft) => ({ id: freshId(draft, 'gears'), name: '', driver: '', driven: '', teeth: ['', ''] }),
        fields: [
          name,
          { key: 'driver', label: 'Driven from', kind: 'reference', of: ['sprockets'] },
          { key: 'driven', label: 'Drives', kind: 'reference', of: ['sprockets'] },
          { key: 'teeth', label: 'Teeth, driving and driven', kind: 'point' }
        ]
      }
    ]
  },
  {
    key: 'rails',
    title: 'Rails',
    says: 'Guides stand still, an arm is pushed by the tensioner, a bridge stands clear of a tight chain.',
    fields: [],
    lists: [
      {
        at: 'rails',
        title: 'Rails',
        one: 'rail',
        fresh: (draft) => ({ id: freshId(draft, 'rail'), name: '', kind: 'guide', side: 'outside' }),
        fields: [
          name,
          { key: 'kind', label: 'Kind', kind: 'choice', options: options('guide', 'arm', 'bridge') },
          {
            key: 'side',
            label: 'Stands',
            kind: 'choice',
            options: [
              { value: 'outside', label: 'outside the loop' },
              { value: 'inside', label: 'inside' }
            ]
          },
          { key: 'touches', label: 'Touches a tight chain', kind: 'flag' },
          { key: 'shoe.centre', label: "Centre of the shoe's curve", kind: 'point', unit: 'mm', charted: true },
          {
            key: 'shoe.radius',
            label: "Radius of the chain's pitch line on it",
            kind: 'number',
            unit: 'mm',
            charted: true
          },
          { key: 'pivot', label: 'Pivot of an arm', kind: 'point', unit: 'mm', charted: true }
        ]
      }
    ]
  },
  {
    key: 'chains',
    title: 'Chains',
    says: 'Pitch and links, the way the chain runs, and the links between the marks.',
    fields: [],
    lists: [
      {
        at: 'chains',
        title: 'Chains',
        one: 'chain',
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
          { key: 'pitch', label: 'Pitch', kind: 'number', unit: 'mm' },
          { key: 'links', label: 'Links', kind: 'number' },
          { key: 'type', label: 'Type', kind: 'text' },
          { key: 'strands', label: 'Strands', kind: 'number' },
          { key: 'driver', label: 'Driven from', kind: 'reference', of: ['sprockets'] },
          {
            key: 'path',
            label: 'What the chain meets, in its direction of travel from the driver on',
            kind: 'path',
            of: ['sprockets', 'rails'],
            wide: true
          },
          { key: 'counts', label: 'Links from mark to mark', kind: 'counts', wide: true },
          { key: 'counted.freeLinks', label: 'Links not on sprockets', kind: 'number', hint: 'For a counted sheet.' },
          {
            key: 'counted.tight',
            label: 'Of those on the tight side, from each cam to the driver',
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
    title: 'Tensioners',
    says: 'Stroke, notches and how far it stands out when new.',
    fields: [],
    lists: [
      {
        at: 'tensioners',
        title: 'Tensioners',
        one: 'tensioner',
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
          { key: 'chain', label: 'Tensions', kind: 'reference', of: ['chains'] },
          { key: 'arm', label: 'Pushes', kind: 'reference', of: ['rails'] },
          { key: 'type', label: 'Type', kind: 'text' },
          { key: 'stroke', label: 'Stroke', kind: 'number', unit: 'mm' },
          ...limit('limit', 'mm'),
          { key: 'ratchet.first', label: 'First notch shows at', kind: 'number', unit: 'mm' },
          { key: 'ratchet.pitch', label: 'Notch to notch', kind: 'number', unit: 'mm' },
          {
            key: 'newExtension',
            label: 'Extension of a new drive',
            kind: 'number',
            unit: 'mm',
            hint: 'For a counted sheet.'
          },
          { key: 'gainFrom.elongation', label: 'Second point: elongation, a fraction', kind: 'number' },
          { key: 'gainFrom.extension', label: 'Second point: extension', kind: 'number', unit: 'mm' },
          { key: 'gain', label: 'Or: mm out per mm of slack', kind: 'number' },
          { key: 'railGain', label: 'mm out per mm of wear, by rail', kind: 'byPart', of: ['rails'], wide: true },
          { key: 'seat', label: 'Plunger tip, fully retracted', kind: 'point', unit: 'mm', charted: true },
          { key: 'axis', label: 'Plunger moves towards', kind: 'number', unit: '° from +x', charted: true },
          { key: 'pad.point', label: "A point of the arm's contact face", kind: 'point', unit: 'mm', charted: true },
          { key: 'pad.face', label: 'The face runs towards', kind: 'number', unit: '° from +x', charted: true },
          { key: 'armRange', label: 'Least and greatest arm angle', kind: 'point', unit: '°', charted: true }
        ]
      }
    ]
  },
  {
    key: 'marks',
    title: 'Marks, phasers',
    says: 'Where the marks stand at the setting point, 12:00 up, and the phasers on their sprockets.',
    fields: [],
    lists: [
      {
        at: 'marks',
        title: 'Marks',
        one: 'mark',
        fresh: () => ({ sprocket: '', at: '12:00' }),
        fields: [
          { key: 'sprocket', label: 'On', kind: 'reference', of: ['sprockets'] },
          { key: 'at', label: 'Clock position', kind: 'text' }
        ]
      },
      {
        at: 'phasers',
        title: 'Phasers',
        one: 'phaser',
        fresh: (draft) => ({ id: freshId(draft, 'phaser'), name: '', sprocket: '', rest: 'retarded', range: '' }),
        fields: [
          name,
          { key: 'sprocket', label: 'On', kind: 'reference', of: ['sprockets'] },
          { key: 'rest', label: 'Locked at rest', kind: 'choice', options: options('retarded', 'advanced') },
          { key: 'range', label: 'Range', kind: 'number', unit: '° crank' },
          { key: 'playLimit.value', label: 'Play limit', kind: 'number', unit: '° crank' },
          { key: 'playLimit.source', label: 'Limit from', kind: 'text' }
        ]
      }
    ]
  },
  {
    key: 'limits',
    title: 'Limits',
    says: 'Each with where it comes from: a part without a limit is never passed silently.',
    fields: [],
    lists: [
      {
        at: 'limits',
        title: 'Limits',
        one: 'limit',
        fresh: () => ({ kind: 'groove', value: '', unit: 'mm', source: '' }),
        fields: [
          {
            key: 'kind',
            label: 'Of',
            kind: 'choice',
            options: [
              { value: 'elongation', label: 'elongation' },
              { value: 'camLag', label: 'cam lag' },
              { value: 'groove', label: 'groove' },
              { value: 'padWear', label: 'pad wear' }
            ]
          },
          { key: 'value', label: 'Limit', kind: 'number' },
          { key: 'unit', label: 'Unit', kind: 'choice', options: options('%', 'mm', 'crank degrees') },
          { key: 'source', label: 'From', kind: 'text' },
          { key: 'chain', label: 'Chain', kind: 'reference', of: ['chains'] },
          { key: 'rail', label: 'Rail', kind: 'reference', of: ['rails'] },
          { key: 'tensioner', label: 'Tensioner', kind: 'reference', of: ['tensioners'] },
          { key: 'sprocket', label: 'Cam (empty: every cam)', kind: 'reference', of: ['sprockets'] }
        ]
      }
    ]
  },
  {
    key: 'work',
    title: 'Operations, parts',
    says: 'What it takes to get there and what it costs. An operation is paid once however many parts need it.',
    fields: [
      { key: 'money.currency', label: 'Currency', kind: 'text' },
      { key: 'money.hourRate', label: 'Labour, an hour', kind: 'number' }
    ],
    lists: [
      {
        at: 'operations',
        title: 'Operations',
        one: 'operation',
        fresh: (draft) => ({ id: freshId(draft, 'operation'), name: '', hours: '', requires: [] }),
        fields: [
          name,
          { key: 'hours', label: 'Hours of its own', kind: 'number' },
          { key: 'requires', label: 'Comes after', kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: 'Uses up', kind: 'references', of: ['alwaysRenewed'], wide: true },
          { key: 'tools', label: 'Tools that make or break it', kind: 'names', wide: true }
        ]
      },
      {
        at: 'parts',
        title: 'Parts',
        one: 'part',
        fresh: (draft) => ({ id: freshId(draft, 'part'), name: '', fits: '', price: '', hours: 0, needs: [] }),
        fields: [
          name,
          { key: 'fits', label: 'Takes the place of', kind: 'reference', of: components },
          { key: 'price', label: 'Price', kind: 'number' },
          { key: 'hours', label: 'Hours once reached', kind: 'number' },
          { key: 'needs', label: 'Reached by', kind: 'references', of: ['operations'], wide: true },
          { key: 'brings', label: 'Comes with', kind: 'references', of: ['alwaysRenewed'], wide: true }
        ]
      },
      {
        at: 'alwaysRenewed',
        title: 'Always renewed',
        one: 'item',
        fresh: (draft) => ({ id: freshId(draft, 'item'), name: '', kind: 'gasket', price: '' }),
        fields: [
          name,
          {
            key: 'kind',
            label: 'Kind',
            kind: 'choice',
            options: options('seal', 'gasket', 'washer', 'o-ring', 'stretch-bolt', 'cover', 'fluid', 'filter', 'other')
          },
          { key: 'price', label: 'Price', kind: 'number' },
          { key: 'quantity', label: 'How many', kind: 'number' }
        ]
      },
      {
        at: 'waysIn',
        title: 'Other ways in',
        one: 'way in',
        fresh: (draft) => ({ id: freshId(draft, 'way'), name: '', needs: {} }),
        fields: [
          name,
          { key: 'note', label: 'Note', kind: 'long', wide: true },
          {
            key: 'needs',
            label: 'Parts reached another way, and by what',
            kind: 'needs',
            of: ['operations'],
            wide: true
          }
        ]
      }
    ]
  },
  {
    key: 'build',
    title: 'Torques, cautions',
    says: "How bolts are tightened, in steps, and what is said before it can go wrong. The maker's manual is the authority.",
    fields: [],
    lists: [
      {
        at: 'torques',
        title: 'Torques',
        one: 'torque',
        fresh: (draft) => ({ id: freshId(draft, 'torque'), bolt: '', steps: [{ newtonMetres: '' }] }),
        fields: [
          { key: 'bolt', label: 'Bolt', kind: 'text' },
          { key: 'operation', label: 'At', kind: 'reference', of: ['operations'] },
          { key: 'count', label: 'How many', kind: 'number' },
          { key: 'steps', label: 'Steps', kind: 'steps', wide: true },
          { key: 'stretch', label: 'Stretch bolt: renewed each time', kind: 'flag' },
          { key: 'leftHand', label: 'Left-hand thread', kind: 'flag' },
          { key: 'note', label: 'Note', kind: 'long', wide: true }
        ]
      },
      {
        at: 'cautions',
        title: 'Cautions',
        one: 'caution',
        fresh: () => ({ text: '' }),
        fields: [
          { key: 'at', label: 'Stands at', kind: 'reference', of: ['operations', ...components] },
          { key: 'text', label: 'Says', kind: 'long', wide: true }
        ]
      },
      {
        at: 'superseded',
        title: 'Superseded designs',
        one: 'design',
        fresh: () => ({ part: '', design: '', onSight: true, source: '' }),
        fields: [
          { key: 'part', label: 'Part', kind: 'reference', of: components },
          { key: 'design', label: 'Old design', kind: 'text' },
          { key: 'onSight', label: 'Renewed on sight', kind: 'flag' },
          { key: 'source', label: 'Source', kind: 'text' }
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
