import { useLocalStorage } from '@vueuse/core'

/** At which side of the bench the reading sheet stands, on this device. */
export const useHand = () => useLocalStorage<'left' | 'right'>('umbrette.hand', 'right')
