import { faultsOf, messagesOf } from '../check'

/** What is wrong with readings and with what a job file says of its engine, by code. */
export interface ReadingSays {
  'a-reading': {}
  'figure-missing': {}
  'no-part-of-kind': { id: string; field: string }
  'no-target': { id: string }
  'no-finding': { finding: string; kind: string; expected: readonly string[] }
  'pieces-missing': {}
  'no-figure': { finding: string }
  'finding-figure': { finding: string; unit: string }
  'figure-range': { least: number; greatest: number; unit: string }
  'which-cylinder': { cylinders: number }
  'no-chain-of-drive': { id: string }
  'no-sprocket-of-chain': { id: string; chain: string }
  'another-sprocket': {}
  'wear-points': {}
  'odds-by-id': {}
  'prices-by-id': {}
  'hours-by-id': {}
}

export const say = messagesOf<ReadingSays>()
export const faultAt = faultsOf<ReadingSays>()
