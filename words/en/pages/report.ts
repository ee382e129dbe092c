import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const SHARE_PANEL = texts({
  takenBack: 'taken back',
  aLinkForTheCustomer: 'A link for the customer',
  shareTheReport: 'Share the report',
  showsThisReportAsIt:
    'Shows this report as it stands now and nothing else of the workshop. The customer can choose a way on it.',
  goodFor: 'Good for',
  n3Days: '3 days',
  n14Days: '14 days',
  n60Days: '60 days',
  makeALink: 'Make a link',
  chooseWhoIsAtThe: 'Choose who is at the bench first.',
  shownOnceCopyItNow: 'Shown once:',
  copy: 'Copy the link',
  copied: 'Copied.',
  code: 'The link as a code for a phone',
  sendTo: 'Their e-mail',
  send: 'Send it',
  sending: 'Sending …',
  sent: (to: Shown) => t`Sent to ${to}.`,
  sentTo: (to: Shown, by: Shown) => t`sent to ${to} by ${by},`,
  noMail: 'No e-mail is set up: an owner does so under Settings.',
  until: (expiresAt: Shown) => t`until ${expiresAt}`
})

export const REPORT_PAGE = texts({
  pdfA4: 'PDF, A4',
  pdfLetter: 'PDF, letter',
  wholeJob: 'Whole job',
  readingsCsv: 'Readings, CSV',
  mapSvg: 'Map, SVG',
  assessmentJson: 'Assessment, JSON',
  theCustomersReport: "the customer's report",
  onPaperAndAsFiles: 'On paper and as files',
  files: 'Files',
  reads: 'The report is read by',
  customer: (language: Shown) => t`The customer, in ${language}`,
  us: 'The workshop'
})

export const SHARE_PAGE = texts({
  timingDrive: (vehicle: Shown) => t`${vehicle}: timing drive`,
  report: 'Report',
  chooseOneOfTheWays: 'Choose one of the ways first.',
  typeYourName: 'Type your name.',
  theWorkshopCannotBeReached: 'The workshop cannot be reached just now. Try again, or ring it.',
  goodUntil: (expiresAt: Shown) => t`Good until ${expiresAt}`,
  pdf: 'PDF',
  yourChoice: 'Your choice',
  choseAtTheWorkshopHas: (title: Shown, priceWords: Shown) => t`chose ${title} at ${priceWords}. The workshop has it.`,
  yourName: 'Your name',
  tellTheWorkshop: 'Tell the workshop'
})
