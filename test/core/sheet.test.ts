import { tellFaults } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { clockAngle, isClock } from '../../core/sheet'
import { rememberingSheets, sheetFaults } from '../../core/drive'
import { changed, sheet, SHEETS } from '../support/sheets'

describe('a sound sheet', () => {
  it.each(SHEETS)('%s has no fault', (id) => expect(sheetFaults(sheet(id))).toEqual([]))
})

describe('an unsound sheet names each fault with its place', () => {
  const cases: [string, (draft: any) => void, string, RegExp][] = [
    ['teeth as text', (d) => (d.sprockets[0].teeth = '18'), 'sprockets[0].teeth', /number from 6/],
    ['zero teeth', (d) => (d.sprockets[0].teeth = 0), 'sprockets[0].teeth', /from 6/],
    ['half a link', (d) => (d.chains[0].links = 126.5), 'chains[0].links', /whole number/],
    ['an endless coordinate', (d) => (d.sprockets[1].centre[0] = Infinity), 'sprockets[1].centre[0]', /number/],
    ['a limit that is no number', (d) => (d.limits[0].value = NaN), 'limits[0].value', /number/],
    ['a limit without its source', (d) => delete d.limits[0].source, 'limits[0].source', /missing/],
    ['a limit in another unit', (d) => (d.limits[0].unit = 'mm'), 'limits[0].unit', /%/],
    ['a clock position that is none', (d) => (d.marks[0].at = '13:00'), 'marks[0].at', /clock/],
    ['an id used twice', (d) => (d.rails[1].id = 'guide'), 'rails[1].id', /own id/],
    ['a ghost on the path', (d) => (d.chains[0].path[2] = 'ghost'), 'chains[0].path[2]', /neither/],
    [
      'a path without its driver first',
      (d) => d.chains[0].path.push(d.chains[0].path.shift()),
      'chains[0].path',
      /start at the driver/
    ],
    ['counts that do not sum', (d) => (d.chains[0].counts[0].links = 52), 'chains[0].counts', /sum to 125/],
    ['a cam that does not turn at half speed', (d) => (d.sprockets[1].teeth = 38), 'chains[0].path', /expected 36/],
    [
      'a second tensioner on a chain',
      (d) => d.tensioners.push({ ...d.tensioners[0], id: 'other' }),
      'tensioners[1].chain',
      /already/
    ],
    ['a tensioner whose arm is a guide', (d) => (d.tensioners[0].arm = 'guide'), 'tensioners[0].arm', /no arm/],
    ['a groove limit on nothing', (d) => delete d.limits[2].rail, 'limits[2].rail', /say which rail/],
    ['a phaser on no sprocket', (d) => (d.phasers[0].sprocket = 'x'), 'phasers[0].sprocket', /no sprocket/],
    [
      'a reversed path',
      (d) => ((d.chains[0].path = ['crank', 'guide', 'cam-in', 'cam-ex', 'arm']), (d.chains[0].counts = [])),
      'chains[0].path',
      /direction of turning/
    ],
    ['cams on top of each other', (d) => (d.sprockets[1].centre = [54, 331]), 'chains[0].path', /overlap/],
    [
      'a chain two links short',
      (d) => ((d.chains[0].links = 124), (d.chains[0].counts = [])),
      'chains[0]',
      /takes 126\.\d\d links/
    ],
    [
      'a guide that the chain does not reach',
      (d) => (d.rails[0].shoe.centre = [900, 63]),
      'chains[0].path',
      /stands clear/
    ],
    [
      'a plunger along its face',
      (d) => (d.tensioners[0].axis = d.tensioners[0].pad.face),
      'tensioners[0].axis',
      /cannot push/
    ],
    [
      'counts that the marks contradict',
      (d) =>
        (d.chains[0].counts = [
          { from: 'crank', to: 'cam-ex', links: 50 },
          { from: 'cam-ex', to: 'cam-in', links: 20 },
          { from: 'cam-in', to: 'crank', links: 56 }
        ]),
      'chains[0].counts[0]',
      /geometry give 5\d\.\d/
    ],
    [
      'a guide without its shoe, and nothing in its place',
      (d) => delete d.rails[0].shoe,
      'tensioners[0].newExtension',
      /the extension of the new drive in mm; or all that the drawing lacks/
    ],
    ['a hole in the counts', (d) => (d.chains[0].counts[2] = undefined), 'chains[0].counts[2]', /missing/],
    ['another version', (d) => (d.version = 2), 'version', /newer than this program/],
    ['a word that findings use as an id', (d) => (d.rails[2].id = 'oil'), 'rails[2].id', /findings use/],
    [
      'an operation that requires a ghost',
      (d) => (d.operations[5].requires = ['drain', 'ghost']),
      'operations[5].requires[1]',
      /no operation/
    ],
    [
      'operations that require each other',
      (d) => (d.operations[1].requires = ['pulley']),
      'operations[1].requires',
      /requires itself/
    ],
    ['a part that fits nothing', (d) => (d.parts[0].fits = 'ghost'), 'parts[0].fits', /no component/],
    [
      'a part that brings a ghost',
      (d) => (d.parts[4].brings = ['ghost']),
      'parts[4].brings[0]',
      /no always-renewed item/
    ],
    ['a part twice', (d) => (d.parts[1].id = 'p-chain'), 'parts[1].id', /stands twice/],
    ['a torque step that is both', (d) => (d.torques[0].steps[0].degrees = 90), 'torques[0].steps[0]', /one of them/],
    ['a superseded ghost', (d) => (d.superseded[0].part = 'ghost'), 'superseded[0].part', /no component/],
    ['a caution at a ghost', (d) => (d.cautions[0].at = 'ghost'), 'cautions[0].at', /no operation or component/]
  ]

  it.each(cases)('%s', (_name, change, place, message) => {
    const faults = sheetFaults(changed(sheet('ardmere-a18'), change))
    expect(tellFaults(faults)[0]).toMatchObject({ place, message: expect.stringMatching(message) })
  })

  it('a counted sheet says which count it lacks', () => {
    const faults = sheetFaults(
      changed(sheet('quillon-q40-counted'), (d) => {
        delete d.chains[0].counted.tight.cam
        delete d.tensioners[0].newExtension
      })
    )
    expect(faults.map((f) => f.place)).toEqual(['chains[0].counted.tight.cam', 'tensioners[0].newExtension'])
  })

  it.each([null, undefined, 7, 'sheet', [], {}, { format: 'umbrette-drive' }])(
    '%j is no sheet, and nothing is thrown',
    (value) => {
      expect(sheetFaults(value).length).toBeGreaterThan(0)
    }
  )

  it('is named every time, also by a check that remembers sound sheets', () => {
    const check = rememberingSheets()
    const broken = changed(sheet('ardmere-a18'), (d) => (d.chains[0].links = 124))
    for (let i = 0; i < 2; i++) expect([check(sheet('ardmere-a18')), check(broken)]).toEqual([[], sheetFaults(broken)])
  })

  it('puts the place of the sheet in front', () => {
    expect(
      sheetFaults(
        changed(sheet('ardmere-a18'), (d) => (d.chains[0].path[2] = 'ghost')),
        'drive'
      )[0]!.place
    ).toBe('drive.chains[0].path[2]')
  })
})

describe('clock positions', () => {
  it.each([
    ['12:00', 90],
    ['3:00', 0],
    ['6:00', 270],
    ['9:00', 180],
    ['1:30', 45]
  ])('%s stands at %i°', (text, angle) => expect(clockAngle(text)).toBeCloseTo(angle, 9))
  it.each(['0:00', '13:00', '6', '6:60', ''])('%s is none', (text) => {
    expect(isClock(text)).toBe(false)
    expect(() => clockAngle(text)).toThrow(/h:mm/)
  })
})
