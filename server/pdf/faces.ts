import type { Faces } from './sheet'

let faces: Promise<Faces> | null = null

/** The typeface of printed reports, out of the server's own assets; read once. */
export function useFaces(): Promise<Faces> {
  const read = async (name: string) => {
    const bytes = await useStorage('assets:server').getItemRaw<Uint8Array>(`fonts:${name}.ttf`)
    if (!bytes) throw new Error(`font ${name} is not among the assets`)
    return Buffer.from(bytes)
  }
  faces ??= Promise.all([read('Barlow-Regular'), read('Barlow-SemiBold')]).then(([regular, bold]) => ({
    regular,
    bold
  }))
  return faces
}
