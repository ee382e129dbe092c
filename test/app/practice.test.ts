import { titleOf } from '../support/told'
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import CallsPane from '../../app/components/practice/CallsPane.vue'
import InspectionList from '../../app/components/practice/InspectionList.vue'
import PlatePicture from '../../app/components/practice/PlatePicture.vue'
import ScoreLine from '../../app/components/practice/ScoreLine.vue'
import SightPane from '../../app/components/practice/SightPane.vue'
import TurningMap from '../../app/components/practice/TurningMap.vue'
import { askedUnit, askedWords, minutesWords, pictureWords } from '../../app/components/practice/words'
import { usePractice } from '../../app/stores/practice'
import { inspectionsOf, type Level, makeCase, seedWith } from '../../core/views/practice'
import { pictureOf } from '../../draw/practice/pictureOf'
import { PRACTICE_SHEETS } from '../../demo/workshop'

const ardmere = PRACTICE_SHEETS.find(({ id }) => id === 'ardmere-a18')!
const engineWith = (level: Level, fault: string) => makeCase(ardmere, level, seedWith(ardmere, level, fault, 0)!)
const engine = engineWith(2, 'rail-broken')

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

function opened(one = engine) {
  const practice = usePractice()
  practice.open(one.code, one)
  return practice
}

describe('the stand on the device', () => {
  it('keeps every move, through a reload, and gives the run an id of its own', async () => {
    const practice = opened()
    practice.chosen = 'rail:guide'
    practice.look()
    practice.read({ kind: 'groove', rail: 'guide', value: 0.4 })
    await nextTick()
    const { id, moves } = practice.run
    expect(id).toMatch(/^[0-9a-f-]{36}$/)
    setActivePinia(createPinia())
    const again = opened()
    expect(again.run).toEqual({ id, moves })
    expect(again.stand!.readings.map(({ reading }) => reading.value)).toEqual([0.4])
  })
  it('turning on in one direction is one move, back is another, and counts only once the hand lets go', () => {
    const practice = opened()
    const turn = (by: number) => {
      practice.turning = by
      const shown = practice.crank
      practice.letGo()
      return shown
    }
    expect(turn(10)).toBe(engine.start + 10)
    turn(5.5)
    turn(-2)
    expect(practice.run.moves).toEqual([
      { type: 'turn', degrees: 15.5 },
      { type: 'turn', degrees: -2 }
    ])
    practice.letGo()
    expect(practice.run.moves).toHaveLength(2)
  })
  it('what the customer says is noted as said', () => {
    const practice = opened(engineWith(1, 'tensioner-spent'))
    practice.chosen = 'ask:engine'
    practice.look()
    expect(practice.stand!.readings.map(({ reading }) => reading.finding)).toContain('noise-seconds')
  })
  it('a part to be renewed goes on the bill, back in takes it off, stop leaves it as it is', () => {
    const practice = opened()
    practice.call('guide', 'renew')
    expect([...practice.stand!.renew]).toEqual(['guide'])
    practice.call('guide', 'stop')
    expect([...practice.stand!.renew]).toEqual(['guide'])
    practice.call('guide', 'back-in')
    expect([...practice.stand!.renew]).toEqual([])
    practice.call('guide', null)
    expect(practice.stand!.calls.size).toBe(0)
  })
  it('two cases are kept apart, and one that was judged is forgotten', () => {
    const practice = opened()
    practice.call('guide', 'renew')
    const other = engineWith(2, 'stretched')
    practice.open(other.code, other)
    expect(practice.run.moves).toEqual([])
    practice.call('main', 'renew')
    practice.clear()
    expect(Object.keys(practice.begun)).toEqual([engine.code])
  })
})

describe('the list of inspections', () => {
  it('tells what each would cost now, and marks what was looked at', async () => {
    const practice = opened()
    const list = mount(InspectionList)
    const minutes = (id: string) => list.get(`[data-testid="inspection-${id}"]`).text()
    expect(minutes('rail:guide')).toMatch(/5 h/)
    expect(minutes('plug:tensioner')).toMatch(/6 min/)
    practice.chosen = 'rail:guide'
    practice.look()
    await nextTick()
    expect(minutes('rail:guide')).toMatch(/looked at.*4 min/)
    expect(minutes('extension:tensioner')).toMatch(/4 min/)
    await list.get('[data-testid="inspection-extension:tensioner"]').trigger('click')
    expect(practice.chosen).toBe('extension:tensioner')
    expect(list.emitted('chosen')).toHaveLength(1)
  })
})

describe('the open inspection', () => {
  it('shows its cost before, and takes figures and findings after', async () => {
    const practice = opened()
    practice.chosen = 'rail:guide'
    const pane = mount(SightPane, { props: { inspection: practice.inspection! } })
    expect(pane.text()).toContain('Of its own')
    expect(pane.find('[data-testid=figure-0]').exists()).toBe(false)
    await pane.get('[data-testid=look]').trigger('click')
    await pane.get('[data-testid=figure-0]').setValue('0,45')
    await pane.get('form').trigger('submit')
    await pane.get('[data-testid=pieces]').setValue(3)
    await pane.get('[data-testid=finding-piece-missing]').trigger('click')
    expect(practice.stand!.readings.map(({ reading }) => reading.value ?? [reading.finding, reading.count])).toEqual([
      0.45,
      ['piece-missing', 3]
    ])
    await pane.get('[data-testid=finding-piece-missing]').trigger('click')
    expect(practice.stand!.readings).toHaveLength(1)
  })
  it('what is no figure is told, kept in its field, and not written down', async () => {
    const practice = opened()
    practice.chosen = 'plug:tensioner'
    const pane = mount(SightPane, { props: { inspection: practice.inspection! } })
    await pane.get('[data-testid=look]').trigger('click')
    for (const typed of ['many', '2.5', '-1']) {
      await pane.get('[data-testid=figure-0]').setValue(typed)
      await pane.get('form').trigger('submit')
      expect(pane.get('[role=alert]').text()).toContain('number of notches')
      expect((pane.get('[data-testid=figure-0]').element as HTMLInputElement).value).toBe(typed)
    }
    expect(practice.stand!.readings).toHaveLength(0)
    await pane.get('[data-testid=figure-0]').setValue('3')
    await pane.get('form').trigger('submit')
    expect(practice.stand!.readings[0]!.reading).toMatchObject({ notches: 3 })
  })
  it('looking again costs its minutes again', async () => {
    const practice = opened()
    practice.chosen = 'scan:engine'
    const pane = mount(SightPane, { props: { inspection: practice.inspection! } })
    await pane.get('[data-testid=look]').trigger('click')
    const once = practice.stand!.looking
    await pane.get('[data-testid=look-again]').trigger('click')
    expect(practice.stand!.looking).toBe(2 * once)
  })
})

describe('calls and bill', () => {
  it('every part asks for a call; the price follows what is renewed, with what comes along', async () => {
    const practice = opened()
    const pane = mount(CallsPane, { props: { busy: false } })
    expect(pane.text()).toContain('parts have no call yet')
    const price = () =>
      Number(
        pane
          .get('[data-testid=bill]')
          .text()
          .replaceAll(/\s/g, '')
          .match(/Pricenow(\d+)/)![1]
      )
    expect(price()).toBe(0)
    await pane.get('[data-testid=call-guide-renew]').trigger('click')
    const one = price()
    expect(one).toBeGreaterThan(100)
    await pane.get('[data-testid=call-main-renew]').trigger('click')
    expect(pane.text()).toMatch(/Comes with it: .*tensioner/i)
    // The second part behind one cover costs little beside the first.
    expect(price() - one).toBeLessThan(one)
    await pane.get('[data-testid=renew-main]').trigger('click')
    expect(practice.stand!.renew.has('main')).toBe(false)
    expect(practice.stand!.calls.get('main')).toBe('renew')
    await pane.get('[data-testid=finish]').trigger('click')
    expect(pane.emitted('done')).toHaveLength(1)
  })
})

describe('pictures and the map', () => {
  const inspection = (id: string) => inspectionsOf(ardmere).find((one) => one.id === id)!
  const picture = (id: string, crank = 0) =>
    pictureOf(engine, inspection(id), { attempt: 0, turnedForward: true }, crank)!

  it('links take chalk and lose it; nothing else does', async () => {
    const view = mount(PlatePicture, { props: { drawing: picture('count:main'), label: 'links' } })
    const [first, second] = view.findAll('[data-name=link]')
    await first!.trigger('click')
    await second!.trigger('click')
    expect(view.findAll('[data-name=link].stroke-lit')).toHaveLength(2)
    await first!.trigger('click')
    await view.get('[data-name="mark crank"]').trigger('click')
    expect(view.findAll('[data-name=link].stroke-lit')).toHaveLength(1)
    await view
      .findAll('button')
      .find((button) => button.text() === 'Wipe the chalk')!
      .trigger('click')
    expect(view.findAll('[data-name=link].stroke-lit')).toHaveLength(0)
    expect(
      mount(PlatePicture, { props: { drawing: picture('rail:guide'), label: 'rail' } })
        .find('[data-testid=closer]')
        .exists()
    ).toBe(false)
  })
  it('who cannot see a picture hears what it is of, not what it shows', () => {
    const words = pictureWords(titleOf(ardmere, inspection('rail:guide')), picture('rail:guide'))
    expect(words).toContain('Fixed guide')
    expect(words).not.toMatch(/\d\.\d/)
  })
  it('covers hide what they cover', async () => {
    const practice = opened()
    const map = (done: string[]) => mount(TurningMap, { props: { engine, done: new Set(done), turnedForward: true } })
    expect(map([]).text()).toContain("only the crank's pulley")
    expect(map([]).find('[data-testid=turned-cam-in]').exists()).toBe(false)
    const cams = map(inspection('marks:cam-in').operations)
    expect([
      cams.find('[data-testid=turned-cam-in]').exists(),
      cams.find('[data-testid=turned-crank]').exists()
    ]).toEqual([true, false])
    const all = map(inspection('count:main').operations)
    expect(all.find('[data-testid=turned-crank]').exists()).toBe(true)
    const angle = () => all.get('[data-testid=turned-crank]').attributes('transform')
    const before = angle()
    practice.turning = 30
    await nextTick()
    expect(angle()).not.toBe(before)
  })
  it('scores are told in words too', () => {
    const runs = [80, 40].map((score, i) => ({
      id: String(i),
      by: 'Bela',
      code: '',
      title: '',
      level: 1 as Level,
      score,
      faults: [],
      finishedAt: `2026-11-0${2 - i}T00:00:00.000Z`
    }))
    expect(mount(ScoreLine, { props: { runs } }).get('svg').attributes('aria-label')).toContain('oldest first: 40, 80')
  })
  it('minutes and what is asked, in words', () => {
    expect([minutesWords(8), minutesWords(59.6), minutesWords(125)]).toEqual(['8 min', '1 h 00', '2 h 05'])
    expect(askedWords(ardmere, { kind: 'extension', tensioner: 'tensioner', notches: 0 })).toBe('Notches that show')
    expect(askedUnit({ kind: 'extension', tensioner: 'tensioner', notches: 0 })).toBe('notches')
    expect(askedWords(ardmere, inspection('count:main').reads[0]!)).toMatch(/^Crank sprocket to exhaust cam/)
    expect(askedUnit(inspection('marks:cam-in').reads[0]!)).toBe('crank degrees')
  })
})
