import { $fetch } from 'ofetch'
import type { Act } from '../core/record'
import type { Me } from '../server/store/sessions'
import { forgetAnswers } from './offline/answers'
import { listLeft, openLeft, sealLeft } from './seal'
import { signedIn } from './signedIn'
import { OUTBOX, useOutbox, type Waiting } from './stores/outbox'
import { usePhotoOutbox, type WaitingPhoto } from './stores/photoOutbox'

/** What a device keeps whoever uses it. */
const OF_THE_DEVICE = ['umbrette.units', 'umbrette.keypad']

/** Signs out: what waits, or was begun, is sealed on the device for who made it; nothing else of it stays readable. */
export async function signOut(): Promise<void> {
  await sealMine()
  const told = await $fetch('/api/session/out', { method: 'POST', body: {}, retry: 0 }).then(
    () => true,
    () => false
  )
  await forgetAnswers({ signOutLater: !told })
  window.location.assign('/sign-in')
}

let looking = false

/** Was who is signed in signed out elsewhere, or this device taken out? Then nothing of theirs stays readable here. */
export async function leaveIfOut(): Promise<void> {
  if (looking || !signedIn.value?.person) return
  looking = true
  try {
    const now = await $fetch<Me>('/api/me', { retry: 0 })
    if (now.open || now.person) return
    await sealMine()
    await forgetAnswers({ signOutLater: false })
    window.location.assign(`/sign-in?to=${encodeURIComponent(window.location.pathname)}`)
  } catch {
    // The server is away: who was signed in goes on.
  } finally {
    looking = false
  }
}

/** Seals what the one signed in leaves on this device, and takes it out of sight. */
export async function sealMine(): Promise<void> {
  const person = signedIn.value?.person
  if (!person) return
  const keys = Object.keys(localStorage).filter((key) => key.startsWith('umbrette.') && !OF_THE_DEVICE.includes(key))
  const kept = Object.fromEntries(keys.map((key) => [key, localStorage.getItem(key) ?? '']))
  const photos = usePhotoOutbox()
  const pictures = await Promise.all(
    photos.photos.map(async ({ picture, ...value }) => ({
      id: value.act.id,
      value,
      type: picture.type,
      picture: await picture.arrayBuffer()
    }))
  )
  const waiting = useOutbox().waiting.length + photos.waiting.length
  if (keys.length > 0 || pictures.length > 0)
    await sealLeft({ person: person.id, name: person.name, waiting }, person.seal, { kept, photos: pictures })
  for (const { act } of photos.photos) await photos.dismiss(act.id)
  for (const key of keys) localStorage.removeItem(key)
}

/** Brings back what the one who signed in had left on this device. */
export async function bringBack(): Promise<void> {
  const person = signedIn.value?.person
  if (!person || !(await listLeft()).some((left) => left.person === person.id)) return
  await openLeft(person.id, person.seal, async ({ kept, photos }) => {
    for (const [key, value] of Object.entries(kept)) if (key !== OUTBOX) localStorage.setItem(key, value)
    await takeIn(waitingIn(kept), photos, (act) => act)
  })
}

/** Takes over what somebody else left on this device: under one's own name, with theirs beside it. */
export async function takeOver(left: number): Promise<void> {
  const me = signedIn.value?.person
  if (!me) return
  const { seal, name } = await $fetch<{ seal: string; name: string }>(`/api/people/${left}/seal`)
  await openLeft(left, seal, ({ kept, photos }) =>
    takeIn(waitingIn(kept), photos, (act) => ({ ...act, by: me.name, madeBy: act.madeBy ?? name }))
  )
}

function waitingIn(kept: Record<string, string>): Waiting[] {
  const value = JSON.parse(kept[OUTBOX] ?? '[]') as unknown
  return Array.isArray(value) ? (value as Waiting[]) : []
}

async function takeIn(
  waiting: readonly Waiting[],
  photos: readonly { value: unknown; type: string; picture: ArrayBuffer }[],
  named: <A extends Act>(act: A) => A
): Promise<void> {
  const outbox = useOutbox()
  const pictures = usePhotoOutbox()
  for (const { jobId, act } of waiting) outbox.put(jobId, named(act))
  for (const { value, type, picture } of photos) {
    const { jobId, act } = value as Omit<WaitingPhoto, 'picture'>
    await pictures.put({ jobId, act: named(act), picture: new Blob([picture], { type }) })
  }
}
