import { expose } from 'comlink'
import type { Message } from '../../core/check'
import { type Beats, type Heard, listen, type Spectrogram, spectrogramOf } from '../../core/sound'

/** Listens to a recording off the main thread. */
const ear = {
  listen: (signal: Float32Array, rate: number, beats: Beats): Heard | Message => listen(signal, rate, beats),
  picture: (signal: Float32Array, rate: number, size: { columns: number; rows: number; hertz: number }): Spectrogram =>
    spectrogramOf(signal, rate, size)
}

export type Ear = typeof ear

expose(ear)
