import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, nextTick } from 'vue'
import PhotoPane from '../../app/components/bench/PhotoPane.vue'
import SaveState from '../../app/components/parts/SaveState.vue'
import { useSendQueue } from '../../app/composables/useSendQueue'
import { useOutbox } from '../../app/stores/outbox'
import { usePhotoOutbox } from '../../app/stores/photoOutbox'
import { read } from '../support/jobs'

vi.mock('ofetch', async (original) => ({
  ...(await original<typeof import('ofetch')>()),
  $fetch: () => new Promise(() => undefined)
}))
const ClientOnly = defineComponent({
  setup:
    (_props, { slots }) =>
    () =>
      slots.default?.()
})

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  setActivePinia(createPinia())
})
afterEach(() => vi.useRealTimers())

describe('what is sent in order', () => {
  function queue(reached: (one: string) => boolean) {
    const list = ['a', 'b', 'c']
    const tried: string[] = []
    const { flush, unreachable } = useSendQueue(
      () => list[0],
      async (one) => {
        tried.push(one)
        if (reached(one)) list.shift()
        return reached(one)
      }
    )
    return { list, tried, flush, unreachable }
  }

  it('goes one after another, and once only when it is asked twice at the same time', async () => {
    const { list, tried, flush } = queue(() => true)
    await Promise.all([flush(), flush()])
    expect([list, tried]).toEqual([[], ['a', 'b', 'c']])
  })
  it('stops at what does not get through, tries again after a second, then two, then four, never later than fifteen', async () => {
    const { tried, flush, unreachable } = queue((one) => one === 'a')
    await flush()
    expect([tried, unreachable.value]).toEqual([['a', 'b'], true])
    const after = async (ms: number) => {
      await vi.advanceTimersByTimeAsync(ms)
      return tried.length
    }
    expect([
      await after(999),
      await after(1),
      await after(1999),
      await after(1),
      await after(4000),
      await after(8000),
      await after(15_000),
      await after(15_000)
    ]).toEqual([2, 3, 3, 4, 5, 6, 7, 8])
  })
  it('goes on at once when it is asked to, and the pause begins anew when something got through', async () => {
    let up = false
    const { tried, list, flush, unreachable } = queue(() => up)
    await flush()
    await vi.advanceTimersByTimeAsync(7000)
    up = true
    await flush()
    expect([list, unreachable.value]).toEqual([[], false])
    const before = tried.length
    await vi.advanceTimersByTimeAsync(60_000)
    expect(tried.length).toBe(before)
  })
})

describe('the state of saving', () => {
  const shown = () => mount(SaveState, { global: { components: { ClientOnly } } })
  const photo = (id: string) => ({
    jobId: 'job',
    picture: new Blob(['x']),
    act: { id, type: 'photo' as const, by: 'Maren', at: '2026-11-24T08:00:00.000Z', photo: id, part: 'guide' }
  })

  it('counts entries and photos that wait together, and says when all is saved', async () => {
    const [outbox, photos] = [useOutbox(), usePhotoOutbox()]
    const state = shown()
    expect(state.text()).toContain('All saved')
    outbox.put('job', {
      id: 'a',
      type: 'read',
      by: 'Maren',
      at: '2026-11-24T08:00:00.000Z',
      reading: read.groove('guide', 0.4)
    })
    photos.photos = [photo('p')]
    await nextTick()
    expect(state.text()).toContain('Saving')
    photos.unreachable = true
    await nextTick()
    expect(state.text()).toContain('2 entries wait on this device')
    expect(state.find('button').text()).toBe('Send now')
  })
  it('a photo that the server would not have waits no longer', async () => {
    usePhotoOutbox().photos = [{ ...photo('p'), refused: 'no picture' }]
    const state = shown()
    await nextTick()
    expect(state.text()).toContain('All saved')
  })
})

describe('photos of a part', () => {
  it('one that is too large is told before anything is sent, one that was refused until it is understood', async () => {
    const photos = usePhotoOutbox()
    const pane = mount(PhotoPane, { props: { part: 'guide' } })
    const input = pane.get('[data-testid=photo-input]').element as HTMLInputElement
    Object.defineProperty(input, 'files', { value: [{ size: 17 * 1024 * 1024, type: 'image/jpeg' }] })
    await pane.get('[data-testid=photo-input]').trigger('change')
    expect(pane.get('[role=alert]').text()).toContain('larger than 16 MB')
    expect(photos.photos).toEqual([])
    photos.photos = [
      {
        jobId: '',
        picture: new Blob(['x']),
        act: { id: 'p', type: 'photo', by: 'Maren', at: '2026-11-24T08:00:00.000Z', photo: 'p', part: 'guide' },
        refused: 'This is no picture that can be read.'
      }
    ]
    await nextTick()
    expect(pane.text()).toContain('no picture that can be read')
    expect(mount(PhotoPane, { props: { part: 'arm' } }).text()).not.toContain('no picture that can be read')
  })
})
