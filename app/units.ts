import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { convert } from '../core/math'
import { type NumericKind, READING_KINDS, type Usage } from '../core/readings'
import { fixDigits as figure } from '../words/en'

/** The units this device shows and takes; everything is stored metric. */
export interface Units {
  length: 'mm' | 'in'
  distance: 'km' | 'mi'
  torque: 'N·m' | 'lb·ft'
}

const METRIC: Units = { length: 'mm', distance: 'km', torque: 'N·m' }

/** Metric until the page is mounted, as the server knows nothing of the device. */
const current = ref<Units>(METRIC)
export const units = computed(() => current.value)

/**
 * Shows what this device chose, and the workshop's units until it has. Call when the page is mounted.
 * @param usual the workshop's
 */
export function keepUnits(usual: Units = METRIC): void {
  const kept = useLocalStorage<Partial<Units>>('umbrette.units', {})
  current.value = { ...usual, ...kept.value }
}

export function chooseUnits(choice: Units): void {
  current.value = choice
  localStorage.setItem('umbrette.units', JSON.stringify(choice))
}

/** Inches need two digits more than millimetres for the same fineness. */
const MORE_DIGITS = { mm: 0, in: 2 }

/** A length in mm as this device shows it, without its unit. */
export function lengthFigure(mm: number, digits: number): string {
  const { length } = current.value
  return figure(convert('length', mm, 'mm', length), digits + MORE_DIGITS[length])
}

/** A length in mm with the unit this device shows. */
export function lengthWords(mm: number, digits: number): string {
  return `${lengthFigure(mm, digits)} ${current.value.length}`
}

/** Is a kind's figure a length, which units change? */
export function isLength(kind: NumericKind): boolean {
  return READING_KINDS[kind].unit === 'mm'
}

/** A figure as it was typed, brought to the stored unit; rounded far below any reading, so that 1 in is 25.4 mm. */
export function toStored(kind: NumericKind, value: number): number {
  return isLength(kind) ? Number(convert('length', value, current.value.length, 'mm').toPrecision(9)) : value
}

/** A stored figure as it would be typed. */
export function fromStored(kind: NumericKind, value: number): number {
  return isLength(kind) ? Number(convert('length', value, 'mm', current.value.length).toPrecision(6)) : value
}

/** A torque in N·m with the unit this device shows. */
export function torqueWords(newtonMetres: number): string {
  const { torque } = current.value
  return `${figure(convert('torque', newtonMetres, 'N·m', torque), torque === 'N·m' ? 0 : 1)} ${torque}`
}

/** Usage as this device shows it: hours stay hours. */
export function shownUsage(usage: Usage): Usage {
  const { distance } = current.value
  return usage.unit === 'h' ? usage : { value: convert('distance', usage.value, usage.unit, distance), unit: distance }
}
