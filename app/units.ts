import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { convert } from '../core/math'
import { figureOf, type NumericKind, READING_KINDS, type Usage } from '../core/readings'
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

/** Units of findings' figures that this device shows as others: gauges in inches of mercury and psi go with inches. */
const GAUGES = {
  bar: { quantity: 'pressure', inch: 'psi' },
  kPa: { quantity: 'pressure', inch: 'inHg' },
  mm: { quantity: 'length', inch: 'in' }
} as const

/** The unit in which this device shows and takes a finding's figure, and how many stored ones it is. */
function gaugeOf(finding: string): { unit: string; size: number } {
  const unit = figureOf(finding)?.unit ?? ''
  const { length, torque } = current.value
  if (unit === 'N·m') return { unit: torque, size: convert('torque', 1, torque, 'N·m') }
  if (length === 'mm' || !Object.hasOwn(GAUGES, unit)) return { unit, size: 1 }
  const { quantity, inch } = GAUGES[unit as keyof typeof GAUGES]
  return quantity === 'length'
    ? { unit: inch, size: convert('length', 1, inch, 'mm') }
    : { unit: inch, size: convert('pressure', 1, inch, unit as 'bar' | 'kPa') }
}

/** The unit that a finding's figure has on this device; a usage's is the job's. */
export function findingUnit(finding: string): string {
  return gaugeOf(finding).unit
}

/** A finding's figure as it was typed, brought to the stored unit, and back. */
export function toStoredFinding(finding: string, value: number): number {
  return Number((value * gaugeOf(finding).size).toPrecision(9))
}
export function fromStoredFinding(finding: string, value: number): number {
  return Number((value / gaugeOf(finding).size).toPrecision(4))
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
