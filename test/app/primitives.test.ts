import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { h } from 'vue'
import { placeOn } from '../../app/components/ledger/placeOn'
import Caution from '../../app/components/parts/Caution.vue'
import Field from '../../app/components/parts/Field.vue'
import FigureTable from '../../app/components/parts/FigureTable.vue'
import PagerRow from '../../app/components/parts/PagerRow.vue'
import Panel from '../../app/components/parts/Panel.vue'

describe('a field', () => {
  it('joins its label to the control, and takes what is typed', async () => {
    const field = mount(Field, { props: { label: 'Pitch', unit: 'mm', modelValue: '8' }, attachTo: document.body })
    const input = field.get('input')
    expect(field.get('label').text()).toBe('Pitch, mm')
    expect(field.get('label').attributes('for')).toBe(input.attributes('id'))
    expect(input.element.value).toBe('8')
    await input.setValue('9.525')
    expect(field.emitted('update:modelValue')).toEqual([['9.525']])
    field.unmount()
  })

  it('tells a fault where it stands, before any hint, and to who listens', async () => {
    const field = mount(Field, { props: { label: 'Links', modelValue: '', hint: 'Counted once round.' } })
    const input = field.get('input')
    const about = () => field.get(`[id="${input.attributes('aria-describedby')}"]`).text()
    expect(input.attributes('aria-invalid')).toBe('false')
    expect(about()).toBe('Counted once round.')
    await field.setProps({ fault: 'is missing' })
    expect(input.attributes('aria-invalid')).toBe('true')
    expect(about()).toBe('is missing')
    expect(field.get('[role=alert]').text()).toBe('is missing')
    expect(field.text()).not.toContain('Counted once round.')
    await field.setProps({ fault: '', hint: '' })
    expect(input.attributes('aria-describedby')).toBeUndefined()
  })

  it('gives what else is said to the control and its class to the whole', () => {
    const field = mount(Field, {
      props: { label: 'Note', rows: 3, modelValue: 'worn' },
      attrs: { class: 'col-span-2', maxlength: '400', 'data-testid': 'note' }
    })
    const lines = field.get('textarea')
    expect(field.classes()).toEqual(['col-span-2'])
    expect(lines.attributes()).toMatchObject({ maxlength: '400', rows: '3', 'data-testid': 'note' })
    expect(lines.classes()).not.toContain('col-span-2')
  })

  it('lends its joining to a control of another kind', () => {
    const field = mount(Field, {
      props: { label: 'Engine', fault: 'Choose one.', silent: true },
      slots: { default: ({ control }: { control: object }) => h('select', control) }
    })
    const select = field.get('select')
    expect(field.find('input').exists()).toBe(false)
    expect(field.get('label').attributes('for')).toBe(select.attributes('id'))
    expect(field.get('label').classes()).toContain('sr-only')
    expect(select.attributes('aria-invalid')).toBe('true')
    expect(field.get(`[id="${select.attributes('aria-describedby')}"]`).text()).toBe('Choose one.')
  })

  it('has ids of its own beside others', () => {
    const two = mount({ render: () => [h(Field, { label: 'One' }), h(Field, { label: 'Two' })] })
    const [one, other] = two.findAll('input').map((input) => input.attributes('id'))
    expect(one).not.toBe(other)
  })
})

describe('a panel', () => {
  it('is called what its heading says, unless it is called otherwise', () => {
    const panel = mount(Panel, { props: { title: 'Running' }, slots: { default: 'Oil pressure came up.' } })
    expect(panel.attributes('aria-label')).toBe('Running')
    expect(panel.get('h2').text()).toBe('Running')
    expect(panel.text()).toContain('Oil pressure came up.')
    const other = mount(Panel, { props: { title: 'On paper', label: 'Files' } })
    expect(other.attributes('aria-label')).toBe('Files')
    expect(other.get('h2').text()).toBe('On paper')
  })

  it('without a name is no landmark, and has no heading', () => {
    const panel = mount(Panel, { slots: { default: 'As it is.' } })
    expect(panel.attributes('aria-label')).toBeUndefined()
    expect(panel.find('h2').exists()).toBe(false)
  })
})

describe('a caution', () => {
  it('says so first, or what it is about, or nothing', () => {
    const says = (props: object) => mount(Caution, { props, slots: { default: 'Springs fly.' } }).text()
    expect(says({})).toMatch(/^Caution\.\sSprings fly\.$/)
    expect(says({ lead: 'On a real engine:' })).toMatch(/^On a real engine:\sSprings fly\.$/)
    expect(says({ lead: '' })).toBe('Springs fly.')
  })
})

describe('a table of figures', () => {
  const rows = { default: '<tr><td>Crank sprocket</td><td>18</td></tr>' }

  it('heads its columns, the last ones at the right', () => {
    const table = mount(FigureTable, { props: { heads: ['Sprocket', 'Teeth'], rightFrom: 1 }, slots: rows })
    const heads = table.findAll('th')
    expect(heads.map((head) => [head.text(), head.attributes('scope'), head.classes('text-right')])).toEqual([
      ['Sprocket', 'col', false],
      ['Teeth', 'col', true]
    ])
    expect(table.findAll('tbody td').map((cell) => cell.text())).toEqual(['Crank sprocket', '18'])
  })

  it('has a caption for who listens, shown where that is asked for', async () => {
    const table = mount(FigureTable, { props: { caption: 'Sprockets and marks' }, slots: rows })
    expect(table.get('caption').classes()).toContain('sr-only')
    await table.setProps({ shown: true })
    expect(table.get('caption').classes()).not.toContain('sr-only')
    expect(table.find('thead').exists()).toBe(false)
  })
})

describe('a pager', () => {
  it('leafs as far as there are pages, and is not there for one', async () => {
    const pager = mount(PagerRow, {
      props: {
        modelValue: 0,
        pages: 3,
        before: 'Newer',
        after: 'Older',
        'onUpdate:modelValue': (page: number) => pager.setProps({ modelValue: page })
      }
    })
    const [newer, older] = pager.findAll('button')
    expect(pager.text()).toContain('Page 1 of 3')
    expect(newer!.attributes('disabled')).toBeDefined()
    await older!.trigger('click')
    await older!.trigger('click')
    expect(pager.text()).toContain('Page 3 of 3')
    expect(older!.attributes('disabled')).toBeDefined()
    await pager.setProps({ pages: 1, modelValue: 0 })
    expect(pager.find('nav').exists()).toBe(false)
  })
})

describe('places on a line', () => {
  it('lie between its ends by value, and beyond them in the same measure', () => {
    const x = placeOn([0, 0.8], [4, 284])
    expect([0, 0.2, 0.8, 1].map(x)).toEqual([4, 74, 284, 354])
    expect(placeOn([-8, 8], [-1.9, 1.9])(0)).toBeCloseTo(0, 12)
  })
})

describe('what is loaded later', () => {
  /** The module as it is when a page begins. */
  async function fresh() {
    vi.resetModules()
    return import('../../app/later')
  }

  const press = (event: string) => window.dispatchEvent(new Event(event))

  it('comes with the first touch, once, and never while the finger is down', async () => {
    vi.useFakeTimers()
    const { loadLater, startLoading } = await fresh()
    const load = vi.fn()
    loadLater(load)
    startLoading()
    press('pointerdown')
    vi.advanceTimersByTime(3_100)
    expect(load, 'what comes would move what the finger is on').not.toHaveBeenCalled()
    press('pointerup')
    press('keydown')
    vi.runAllTimers()
    expect(load).toHaveBeenCalledTimes(1)
    vi.useRealTimers()
  })

  it('comes at once where the page was touched already', async () => {
    vi.useFakeTimers()
    const { loadLater, startLoading } = await fresh()
    startLoading()
    press('keydown')
    vi.runAllTimers()
    const load = vi.fn()
    loadLater(load)
    expect(load).toHaveBeenCalledTimes(1)
    vi.useRealTimers()
  })

  it('comes after a few quiet seconds', async () => {
    vi.useFakeTimers()
    const { loadLater, startLoading } = await fresh()
    const load = vi.fn()
    loadLater(load)
    startLoading()
    vi.advanceTimersByTime(2_900)
    expect(load).not.toHaveBeenCalled()
    vi.advanceTimersByTime(200)
    expect(load).toHaveBeenCalledTimes(1)
    vi.useRealTimers()
  })

  it('is asked for again by the page that shows it, when it could not be loaded with the rest', async () => {
    const { later, startLoading } = await fresh()
    const Pane = { render: () => h('p', 'Photos') }
    const load = vi.fn().mockRejectedValueOnce(new Error('away')).mockResolvedValue({ default: Pane })
    const Late = later(load)
    startLoading()
    press('pointerdown')
    press('pointerup')
    await vi.waitFor(() => expect(load).toHaveBeenCalledTimes(1))
    const shown = mount({ render: () => h('div', h(Late)) })
    await vi.waitFor(() => expect(shown.text()).toBe('Photos'))
    expect(load).toHaveBeenCalledTimes(2)
  })
})
