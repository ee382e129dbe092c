import { useEventListener, usePreferredReducedMotion, useRafFn } from '@vueuse/core'
import { ref } from 'vue'
import { turn360 } from '../../core/math'
import { usePractice } from '../stores/practice'

/** crank degrees a second at first and at the most, while a hand turns on. */
const SLOW = 25
const FAST = 220
/** Seconds until a hand that stays on turns at its fastest. */
const RUN_UP = 2.5

/**
 * Turning the practice engine by hand: as long as a button or key is held, or on to a place. Where motion is unwelcome
 * the engine is moved there at once.
 */
export function useTurning() {
  const practice = usePractice()
  const still = usePreferredReducedMotion()
  /** 1 in the running direction, −1 against it, 0 at rest. */
  const sense = ref<1 | -1 | 0>(0)
  let held = 0
  let until: number | null = null

  const { pause, resume } = useRafFn(
    ({ delta }) => {
      held += delta / 1000
      const speed = SLOW + (FAST - SLOW) * Math.min(1, held / RUN_UP)
      const step = (sense.value * speed * Math.min(delta, 100)) / 1000
      if (until !== null && Math.abs(until - practice.turning) <= Math.abs(step)) {
        practice.turning = until
        stop()
      } else practice.turning += step
    },
    { immediate: false }
  )

  function start(to: 1 | -1): void {
    if (sense.value !== 0) return
    sense.value = to
    held = 0
    until = null
    resume()
  }

  function stop(): void {
    pause()
    sense.value = 0
    practice.letGo()
  }

  /** Turns on by so many crank degrees. */
  function by(degrees: number): void {
    if (sense.value !== 0 || degrees === 0) return
    if (still.value === 'reduce' || Math.abs(degrees) < 10) {
      practice.turning = degrees
      practice.letGo()
      return
    }
    start(degrees > 0 ? 1 : -1)
    until = degrees
  }

  /** Forward until the crank's mark stands at its pointer again. */
  function toCrankMark(): void {
    const past = turn360(practice.crank)
    by(Number((past > 359.95 || past < 0.05 ? 360 : 360 - past).toFixed(2)))
  }

  useEventListener('blur', () => sense.value !== 0 && until === null && stop())
  return { sense, start, stop, by, toCrankMark }
}
