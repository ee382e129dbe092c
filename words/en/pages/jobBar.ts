import { texts } from '../../spoken'

/** The head of a job's pages after the bench. */
export const JOB_BAR = texts({
  bench: 'Bench',
  verdict: 'Verdict',
  paths: 'Paths',
  estimate: 'Estimate',
  report: 'Report',
  buildUp: 'Build-up',
  proof: 'Proof',
  stationsOfTheDecision: 'Stations of the decision'
})
