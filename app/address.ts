import { signedIn } from './signedIn'

const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])$/

/**
 * The address under which other devices of the workshop reach it: this page's own, unless that is this machine's alone.
 */
export function workshopOrigin(): string {
  const { origin, hostname } = window.location
  return LOOPBACK.test(hostname) ? (signedIn.value?.origin ?? origin) : origin
}

/** Is the workshop answered on this machine alone? */
export function isHereAlone(): boolean {
  return LOOPBACK.test(new URL(workshopOrigin()).hostname)
}

/** The address under which customers reach what is shared with them. */
export function customersOrigin(): string {
  return signedIn.value?.customers ?? workshopOrigin()
}
