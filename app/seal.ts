import { createStore, del, entries, set } from 'idb-keyval'

/**
 * What somebody leaves on a device when they sign out: entries and pictures that wait, and what they had begun, sealed
 * under a key that the server gives to them alone (and to who takes it over).
 */
export interface LeftBehind {
  /** What the browser kept, by its key. */
  kept: Record<string, string>
  photos: { id: string; value: unknown; type: string; picture: ArrayBuffer }[]
}

/** What is known of it without the key. */
export interface SealedLeft {
  person: number
  name: string
  /** Entries and pictures that were on their way. */
  waiting: number
}

interface Sealed extends SealedLeft {
  parts: { iv: Uint8Array<ArrayBuffer>; bytes: ArrayBuffer }[]
}

let opened: ReturnType<typeof createStore> | undefined
const store = () => (opened ??= createStore('umbrette-left', 'sealed'))

async function keyOf(seal: string, uses: KeyUsage): Promise<CryptoKey> {
  const bytes = new Uint8Array((seal.match(/../g) ?? []).map((pair) => parseInt(pair, 16)))
  return crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, [uses])
}

/** Seals what somebody leaves; beside what they left before. */
export async function sealLeft(of: SealedLeft, seal: string, { kept, photos }: LeftBehind): Promise<void> {
  const key = await keyOf(seal, 'encrypt')
  const shut = async (bytes: BufferSource) => {
    const iv = crypto.getRandomValues(new Uint8Array(12))
    return { iv, bytes: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, bytes) }
  }
  const list = photos.map(({ id, value, type }) => ({ id, value, type }))
  const parts = [await shut(new TextEncoder().encode(JSON.stringify({ kept, list })))]
  for (const { picture } of photos) parts.push(await shut(picture))
  await set(`${of.person} ${crypto.randomUUID()}`, { ...of, parts } satisfies Sealed, store())
}

/** Who left something on this device. */
export async function listLeft(): Promise<SealedLeft[]> {
  const all = (await entries<string, Sealed>(store())).map(([, { person, name, waiting }]) => ({
    person,
    name,
    waiting
  }))
  const people = [...new Set(all.map(({ person }) => person))]
  return people.map((person) => {
    const mine = all.filter((one) => one.person === person)
    return { person, name: mine.at(-1)!.name, waiting: mine.reduce((sum, one) => sum + one.waiting, 0) }
  })
}

/** Opens what somebody left, in the order they left it in; it goes once `take` has kept it. */
export async function openLeft(person: number, seal: string, take: (left: LeftBehind) => Promise<void>): Promise<void> {
  const key = await keyOf(seal, 'decrypt')
  for (const [id, sealed] of await entries<string, Sealed>(store())) {
    if (sealed.person !== person) continue
    const [first, ...rest] = await Promise.all(
      sealed.parts.map(({ iv, bytes }) => crypto.subtle.decrypt({ name: 'AES-GCM', iv }, key, bytes))
    )
    const { kept, list } = JSON.parse(new TextDecoder().decode(first)) as Pick<LeftBehind, 'kept'> & {
      list: Omit<LeftBehind['photos'][number], 'picture'>[]
    }
    await take({ kept, photos: list.map((one, i) => ({ ...one, picture: rest[i]! })) })
    await del(id, store())
  }
}
