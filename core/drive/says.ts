import { faultsOf, messagesOf } from '../check'

/** What is wrong with a drive: how its parts name each other, and what their figures give, by code. */
export interface DriveSays {
  'word-of-findings': { id: string }
  'id-used': { id: string; at: string }
  'neither-sprocket-nor-rail': { id: string }
  'met-twice': { id: string }
  'starts-at-driver': { driver: string }
  'no-driven-sprocket': {}
  'cam-teeth': { id: string; teeth: number; expected: number }
  'driven-in-circle': { id: string }
  'no-sprocket-on-chain': { id: string }
  'runs-in-order': {}
  'counts-sum': { sum: number; links: number }
  'no-sprocket': { id: string }
  'no-tensioner': { id: string }
  'no-chain': { id: string }
  'no-arm': { id: string }
  'arm-off-chain': { arm: string; chain: string }
  'second-tensioner': { chain: string }
  'no-sprocket-nor-crank': { id: string; crank: string }
  'drives-no-chain': { id: string }
  'limit-unit': { unit: string; kind: string }
  'extension-or-drawing': { parts: readonly string[] }
  'centres-far': { taken: number; links: number }
  'centres-near': { taken: number; links: number }
  'count-centres': { links: number; least: number; most: number }
  'counted-missing': {}
  'free-links': { links: number }
  'tight-missing': {}
  'tight-links': { links: number }
  'new-extension-missing': {}
  'gain-missing': {}
  'gain-second-point': {}
  'neighbours-overlap': {}
  'loop-turning': { turning: number; expected: number }
  'rail-clear': { rail: string }
  'not-closing': { taken: number; links: number; within: number }
  'plunger-along-face': {}
  'arm-range': {}
  'count-drawn': { links: number; drawn: number }
  reach: { reached: number; wanted: number; times: number }
  'limit-target-missing': { field: string }
  'limit-target': { id: string; field: string }
}

export const say = messagesOf<DriveSays>()
export const faultAt = faultsOf<DriveSays>()
