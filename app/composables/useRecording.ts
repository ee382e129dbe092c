import { type Remote, wrap } from 'comlink'
import { onUnmounted, ref, shallowRef } from 'vue'
import { saySound, sayTrace, SOUND_PAGE } from '../../words/en'
import { beatsOf, type Heard, mixed, type Spectrogram } from '../../core/sound'
import type { DriveSheet } from '../../core/sheet'
import { isWav, readWav } from '../../core/trace'
import type { Ear } from '../workers/sound.worker'

/** Columns and rows of a recording's picture, and Hz that it reaches up to. */
const PICTURE = { columns: 600, rows: 160, hertz: 9000 }

/** A recording on the page: its file, its picture, and what is heard in it. */
export function useRecording(sheet: () => DriveSheet) {
  let worker: Worker | null = null
  let ear: Remote<Ear> | null = null
  const remote = () => {
    worker ??= new Worker(new URL('../workers/sound.worker.ts', import.meta.url), { type: 'module' })
    return (ear ??= wrap<Ear>(worker))
  }
  const file = shallowRef<File | null>(null)
  const src = ref('')
  const seconds = ref(0)
  const heard = shallowRef<Heard | null>(null)
  const picture = shallowRef<Spectrogram | null>(null)
  const problem = ref('')
  const busy = ref(false)
  onUnmounted(() => {
    worker?.terminate()
    if (src.value) URL.revokeObjectURL(src.value)
  })

  async function read(of: File): Promise<void> {
    problem.value = ''
    heard.value = null
    picture.value = null
    busy.value = true
    try {
      const bytes = await of.arrayBuffer()
      const found = await samplesOf(bytes)
      if (typeof found === 'string') {
        problem.value = found
        return
      }
      file.value = of
      if (src.value) URL.revokeObjectURL(src.value)
      src.value = URL.createObjectURL(of)
      seconds.value = found.signal.length / found.rate
      picture.value = await remote().picture(found.signal, found.rate, PICTURE)
      const told = await remote().listen(found.signal, found.rate, beatsOf(sheet()))
      if ('code' in told) problem.value = saySound(told)
      else heard.value = told
    } finally {
      busy.value = false
    }
  }
  return { file, src, seconds, heard, picture, problem, busy, read }
}

/** One channel of a recording: a WAV as it is, anything else by the browser; or what stands in the way. */
async function samplesOf(bytes: ArrayBuffer): Promise<{ signal: Float32Array; rate: number } | string> {
  if (isWav(new Uint8Array(bytes, 0, Math.min(4, bytes.byteLength)))) {
    const found = readWav(new Uint8Array(bytes))
    return 'code' in found ? sayTrace(found) : { signal: mixed(found.channels), rate: found.rate }
  }
  try {
    const context = new AudioContext()
    const buffer = await context.decodeAudioData(bytes)
    await context.close()
    const channels = new Map(
      Array.from({ length: buffer.numberOfChannels }, (_, i) => [String(i), buffer.getChannelData(i)] as const)
    )
    return { signal: mixed(channels), rate: buffer.sampleRate }
  } catch {
    return SOUND_PAGE.cannotOpen
  }
}
