import { mount, type VueWrapper } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { defineComponent, nextTick } from 'vue'
import KeyPad from '../../app/components/bench/KeyPad.vue'
import LagHelper from '../../app/components/bench/LagHelper.vue'
import LinkCounter from '../../app/components/bench/LinkCounter.vue'
import PlugView from '../../app/components/bench/PlugView.vue'
import BudgetBar from '../../app/components/ledger/BudgetBar.vue'
import CamDial from '../../app/components/ledger/CamDial.vue'
import StretchLine from '../../app/components/ledger/StretchLine.vue'
import StretchLedger from '../../app/components/ledger/StretchLedger.vue'
import { chooseUnits, fromStored, isLength, lengthWords, shownUsage, toStored } from '../../app/units'
import { kindWords, limitWords, readingWords } from '../../app/words'
import { assess } from '../../core/paths'
import { slotsOf } from '../../core/views/bench'
import { jobOf, read } from '../support/jobs'
import { sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const ClientOnly = defineComponent({
  setup:
    (_props, { slots }) =>
    () =>
      slots.default?.()
})
const global = { components: { ClientOnly } }

beforeEach(() => chooseUnits({ length: 'mm', distance: 'km', torque: 'N·m' }))

describe('the link counter', () => {
  const runs = (counted: (number | null)[], current = 0) =>
    counted.map((links, i) => ({ name: `run ${i + 1}`, counted: links, current: i === current }))
  const counter = (figure: string, counted: (number | null)[] = [null, null, null]) =>
    mount(LinkCounter, {
      props: {
        modelValue: figure,
        expected: 53,
        total: 126,
        runs: runs(counted),
        'onUpdate:modelValue': (value: string | undefined) => value
      },
      attachTo: document.body
    })
  const last = (wrapper: VueWrapper) => (wrapper.emitted('update:modelValue') as string[][]).at(-1)![0]

  it('counts a link a touch, halves, one back, and starts again', async () => {
    const wrapper = counter('52')
    await wrapper.get('[data-testid=count-link]').trigger('click')
    expect(last(wrapper)).toBe('53')
    await wrapper.get('[data-testid=count-half]').trigger('click')
    expect(last(wrapper)).toBe('52.5')
    await wrapper.get('[data-testid=count-back]').trigger('click')
    expect(last(wrapper)).toBe('51')
    await wrapper.get('[data-testid=count-again]').trigger('click')
    expect(last(wrapper)).toBe('')
    wrapper.unmount()
  })

  it('never goes below nothing', async () => {
    const wrapper = counter('')
    await wrapper.get('[data-testid=count-back]').trigger('click')
    expect(last(wrapper)).toBe('0')
    wrapper.unmount()
  })

  it('counts by keys, but not while something is typed', () => {
    const wrapper = counter('10')
    window.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }))
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }))
    expect(last(wrapper)).toBe('11')
    const before = wrapper.emitted('update:modelValue')!.length
    const field = document.body.appendChild(document.createElement('input'))
    field.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }))
    expect(wrapper.emitted('update:modelValue')).toHaveLength(before)
    field.remove()
    wrapper.unmount()
  })

  it('checks the loop once every run is counted', () => {
    expect(counter('53', [53, 20, null]).text()).not.toMatch(/Together/)
    expect(counter('53', [53, 20, 53]).text()).toMatch(/Together 126: they close the loop/)
    expect(counter('52', [52, 20, 53]).text()).toMatch(/Together 125, but the chain has 126: 1 too few/)
  })
})

describe('the keypad', () => {
  it('types digits and one point, and deletes', async () => {
    const typed: string[] = []
    const wrapper = mount(KeyPad, {
      props: {
        modelValue: '',
        'onUpdate:modelValue': async (value: string | undefined) => {
          typed.push(value!)
          await wrapper.setProps({ modelValue: value! })
        }
      }
    })
    for (const key of ['1', 'Decimal point', '5', 'Decimal point', 'Delete last digit', '4'])
      await wrapper.get(`[aria-label="${key}"]`).trigger('click')
    expect(typed.at(-1)).toBe('1.4')
  })
})

describe('the view through the plug', () => {
  it("shows as many notches as there are, up to the stroke's end, and says about how far it is out", async () => {
    const wrapper = mount(PlugView, { props: { ratchet: { first: 2, pitch: 2.2 }, stroke: 22, notches: 4 } })
    expect(wrapper.get('svg').attributes('aria-label')).toBe('4 of at most 10 notches showing, about 9.7 mm out')
    expect(wrapper.findAll('svg g path')).toHaveLength(4)
    await wrapper.get('[aria-label="One notch more"]').trigger('click')
    expect(wrapper.emitted('notches')).toEqual([[5]])
    await wrapper.setProps({ notches: 99 })
    expect(wrapper.findAll('svg g path')).toHaveLength(10)
  })
})

describe('a lag from what is seen', () => {
  const helper = () => mount(LagHelper, { props: { sheet: drive, sprocket: 'cam-ex' }, attachTo: document.body })
  const choose = async (wrapper: VueWrapper, label: string) => {
    await wrapper
      .findAll('[role=radio]')
      .find((option) => option.text() === label)!
      .trigger('click')
    await nextTick()
  }

  it('the clock position of the mark', async () => {
    const wrapper = helper()
    await choose(wrapper, 'clock position')
    await wrapper.get('input').setValue('11:30')
    await wrapper.get('[data-testid=take-lag]').trigger('click')
    expect(wrapper.emitted('lag')).toEqual([[-30, null]])
    wrapper.unmount()
  })

  it('cam degrees are doubled', async () => {
    const wrapper = helper()
    await choose(wrapper, 'cam degrees')
    await wrapper.get('input').setValue('1,5')
    await wrapper.get('[data-testid=take-lag]').trigger('click')
    expect(wrapper.emitted('lag')).toEqual([[3, null]])
    wrapper.unmount()
  })

  it("both flanks of the lift, which also tell the lobe's wear", async () => {
    const wrapper = helper()
    await choose(wrapper, 'valve lift')
    expect(wrapper.get('[data-testid=take-lag]').attributes('disabled')).toBeDefined()
    const inputs = wrapper.findAll('input')
    for (const [i, value] of ['358', '355', '224', '220'].entries()) await inputs[i]!.setValue(value)
    expect(wrapper.text()).toMatch(/flanks differ by 1\.0°/)
    await wrapper.get('[data-testid=take-lag]').trigger('click')
    expect(wrapper.emitted('lag')).toEqual([[3.5, 'lift']])
    wrapper.unmount()
  })
})

describe('the ledger', () => {
  const job = jobOf([
    read.extension(16.5),
    read.lag('cam-in', -16.5),
    read.lag('cam-ex', 5),
    read.count('crank', 'cam-ex', 53),
    read.count('cam-ex', 'cam-in', 21),
    read.count('cam-in', 'crank', 52),
    // Below nothing: left out, both for one reason.
    read.groove('guide', -1),
    read.groove('arm', -1)
  ])
  const assessment = assess(job)
  const standing = job.readings.map((reading) => ({ ...reading, by: 'Maren', at: '2026-11-24T08:00:00.000Z' }))

  it('draws elongation with its interval and limit, and says the same in words', () => {
    const { elongation } = assessment.chains.main!
    const line = mount(StretchLine, {
      props: { name: 'Timing chain', elongation, limit: { value: 0.5, unit: '%', source: 'sample sheet' } }
    })
    expect(line.get('svg').attributes('aria-label')).toMatch(
      /^Timing chain: elongation 0\.\d\d %, 90 % between 0\.\d\d % and 0\.\d\d %, limit 0\.5 %$/
    )
    const [low, high] = [
      Number(line.get('rect').attributes('x')),
      Number(line.get('rect').attributes('x')) + Number(line.get('rect').attributes('width'))
    ]
    expect(high).toBeGreaterThan(low)
    expect(line.text()).toMatch(/sample sheet/)
    expect(
      mount(StretchLine, {
        props: { name: 'Chain', elongation: { ...elongation, overLimit: null }, limit: null }
      }).text()
    ).toMatch(/no limit on the sheet/)
  })

  it('shows a jump on its dial in words, and an unread cam as not known', () => {
    const dial = (id: string) => mount(CamDial, { props: { name: id, cam: assessment.cams[id]!, limit: 5 } }).text()
    expect(dial('cam-in')).toMatch(/16\.\d° early ?1 tooth early/)
    const unread = assess(jobOf([])).cams['cam-in']!
    expect(mount(CamDial, { props: { name: 'Intake', cam: unread, limit: null } }).text()).toMatch(/jump not known/)
  })

  it("stacks the extension's causes to what was read", () => {
    const bar = mount(BudgetBar, {
      props: { sheet: drive, tensioner: drive.tensioners[0]!, estimate: assessment.tensioners.tensioner! }
    })
    expect(bar.get('[data-testid=extension]').text()).toBe('16.5')
    expect(bar.findAll('li').map((li) => li.text().replace(/ -?[\d.]+$/, ''))).toEqual([
      'As new',
      'Stretch',
      'Tensioner arm',
      'Fixed guide',
      'Pad',
      'Unexplained'
    ])
    const sum = bar.findAll('li').reduce((mm, li) => mm + Number(/-?[\d.]+$/.exec(li.text())![0]), 0)
    expect(sum).toBeCloseTo(16.5, 0)
  })

  it('names readings left out together, once, and offers the next', async () => {
    const next = slotsOf(drive).find((s) => s.key === 'groove:guide')!
    const ledger = mount(StretchLedger, {
      props: {
        sheet: drive,
        assessment,
        readings: standing,
        change: 'The link count left the elongation as it was.',
        failed: '',
        next,
        canTakeBack: true
      },
      global
    })
    expect(ledger.findAll('[data-testid=left-out]')).toHaveLength(2)
    expect(ledger.text().match(/cannot be below 0|below 0/g)).toHaveLength(1)
    await ledger.get('[data-testid=next]').trigger('click')
    expect(ledger.emitted('take')).toEqual([[next]])
    await ledger.get('[data-testid=take-back]').trigger('click')
    expect(ledger.emitted('takeBack')).toHaveLength(1)
  })
})

describe('units', () => {
  it('are shown as chosen and kept metric', () => {
    expect(lengthWords(1.2, 1)).toBe('1.2 mm')
    chooseUnits({ length: 'in', distance: 'mi', torque: 'N·m' })
    expect(lengthWords(1.2, 1)).toBe('0.047 in')
    expect(readingWords(read.groove('guide', 0.5))).toBe('0.0197 in')
    expect(limitWords({ value: 1.2, unit: 'mm', source: 'sample sheet' })).toBe('0.047 in (sample sheet)')
    expect(limitWords({ value: 0.5, unit: '%', source: 'sample sheet' })).toBe('0.5 % (sample sheet)')
    expect(shownUsage({ value: 100, unit: 'km' }).value).toBeCloseTo(62.137, 3)
    expect(shownUsage({ value: 100, unit: 'h' })).toEqual({ value: 100, unit: 'h' })
  })

  it('go in and out without loss, degrees and links untouched', () => {
    chooseUnits({ length: 'in', distance: 'km', torque: 'N·m' })
    expect(toStored('groove', 0.02)).toBe(0.508)
    expect(fromStored('groove', 0.508)).toBe(0.02)
    expect([toStored('camLag', 3), toStored('linkCount', 53)]).toEqual([3, 53])
    expect([isLength('groove'), isLength('camLag')]).toEqual([true, false])
  })
})

it('a finding is told in words with its part', () => {
  expect(kindWords(drive, read.found('guide', 'cracked'))).toBe('Fixed guide: cracked')
  expect(kindWords(drive, read.found('oil', 'screen-torn'))).toBe('Oil side: oil screen torn')
  expect(kindWords(drive, read.groove('guide', 1))).toBe('Groove depth')
})
