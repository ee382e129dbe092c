import { t, texts, plural } from '../../spoken'

/** A job for who has never done one here, with its figures told. */
export const GUIDE_WORDS = texts({
  start: 'Guided job',
  vehicle: 'Pilot van, guided',
  complaint: 'Chain noise at warm idle, gone when revved.',
  title: 'Guided job',
  step: (n: number, of: number) => t`Step ${n} of ${of}`,
  go: 'Take me there',
  leave: 'Leave the guide',
  whoFirst: 'Choose who is at the bench, at the top right, and begin again.',
  done: (minutes: number) =>
    t`That was a whole job${minutes > 0 ? t`, in ${plural(minutes, t`one minute`, t`${minutes} minutes`)}` : ''}. It is a job like any other: delete it from the board when you like.`,
  steps: {
    complaint:
      'What was said comes first. At station 1 touch “at idle, gone when revved”: the suspects at the right move with it.',
    lag: 'Set to the mark: the intake cam stands a little late. Type 3.6 and save.',
    extension: 'The plunger stands 15.9 mm out of its housing. Type 15.9 and save: the ledger at the foot moves.',
    groove: 'The fixed guide has a groove of 0.3 mm. Type 0.3 and save.',
    length: 'Chain on the bench: 20 links measure 160.7 mm. Type 160.7 and save; one place is enough here.',
    verdict: 'The verdict says what goes back in and why. Read it, then sign it.',
    paths: 'Paths: what to renew and what it costs. Choose one to advise.',
    report: 'The report is the letter to the customer, to be printed or sent as a link.'
  }
})
