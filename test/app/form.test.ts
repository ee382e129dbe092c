import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { defineComponent } from 'vue'
import { emptyDraft, type Draft } from '../../app/components/bench/draft'
import ReadingForm from '../../app/components/bench/ReadingForm.vue'
import CallMark from '../../app/components/parts/CallMark.vue'
import { slotsOf } from '../../core/views/bench'
import { sheet } from '../support/sheets'

const drive = sheet('ardmere-a18')
const lag = slotsOf(drive).find((s) => s.key === 'camLag:cam-in')!
const ClientOnly = defineComponent({
  setup:
    (_props, { slots }) =>
    () =>
      slots.default?.()
})

function form(draft: Partial<Draft>, by = 'Maren') {
  return mount(ReadingForm, {
    props: {
      sheet: drive,
      slot: lag,
      correcting: null,
      people: ['Maren', 'Tove'],
      draft: { ...emptyDraft(lag), ...draft },
      by
    },
    global: { components: { ClientOnly } },
    attachTo: document.body
  })
}

describe('the reading form', () => {
  it('saves on Enter what stands in it', async () => {
    const wrapper = form({ figure: '4', turned: 'yes' })
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('save')).toEqual([
      [{ kind: 'camLag', sprocket: 'cam-in', value: 4, method: 'marks', turnedForward: true }]
    ])
  })

  it('says at the field what is wrong, and saves nothing', async () => {
    const wrapper = form({ figure: 'four' })
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('save')).toBeUndefined()
    const input = wrapper.get('[data-testid=figure]')
    expect(input.attributes('aria-invalid')).toBe('true')
    expect(wrapper.get(`#${input.attributes('aria-describedby')}`).text()).toMatch(/no number/)
  })

  it('asks who is at the bench before the first reading', async () => {
    const wrapper = form({ figure: '4' }, '')
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('save')).toBeUndefined()
    expect(wrapper.text()).toMatch(/Choose who is at the bench/)
    expect(wrapper.text()).toMatch(/Tove/)
  })

  it('stands beside the caution of its act and asks about the phaser', () => {
    expect(form({}).text()).toMatch(/Battery off.*running direction only/)
    expect(form({}).text()).toMatch(/Phaser locked at rest/)
  })
})

it('each call has a form and a word of its own', () => {
  const marks = (['back-in', 'look-closer', 'renew', 'stop'] as const).map((call) =>
    mount(CallMark, { props: { call } })
  )
  expect(marks.map((m) => m.text())).toEqual(['Back in', 'Look closer', 'Renew', 'Stop'])
  expect(
    new Set(
      marks.map((m) =>
        m
          .get('svg')
          .html()
          .replaceAll(/class="[^"]*"/g, '')
      )
    ).size
  ).toBe(4)
})
