/** Where other devices, and customers, reach this workshop; null where only this machine does. */
export interface Reached {
  origin: string | null
  customers: string | null
}

const own = (name: string): string | null => {
  const value = process.env[name] ?? ''
  return URL.canParse(value) ? new URL(value).origin : null
}

/** A proxy of one's own stands before everything else. */
const reached: Reached = { origin: own('UMBRETTE_ORIGIN'), customers: own('UMBRETTE_CUSTOMERS_ORIGIN') }

export function reachedAt(): Reached {
  return { ...reached }
}

/** Notes the addresses that the network is served under. */
export function noteReached({ origin, customers }: Reached): void {
  reached.origin ??= origin
  reached.customers ??= customers
}
