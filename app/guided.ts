import { useLocalStorage } from '@vueuse/core'

/** Of a guided job: which job it is, and when it was begun (ISO). */
export interface Guided {
  job: string
  begun: string
}

/** The guided job of this device; empty while nobody is being guided. */
export const useGuided = () => useLocalStorage<Guided>('umbrette.guided', { job: '', begun: '' })
