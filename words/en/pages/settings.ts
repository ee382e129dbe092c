import type { Shown } from '../../say'
import { countWords } from '../figures'
import { t, texts } from '../../spoken'

/** The whole workshop out and in, and what was erased for good. */
export const WHOLE = texts({
  title: 'Everything out, and in again',
  says: 'The whole workshop as open files in one archive: JSON, CSV and JPEG, with their schemas. It holds customers’ data, but nobody’s passphrase or PIN.',
  out: 'Everything out',
  says2: 'An empty workshop takes such an archive in, all of it or nothing.',
  in: 'Take a workshop in',
  file: 'Archive of a workshop',
  sending: 'Sending and looking through it …',
  taking: (done: Shown, all: Shown) => t`${done} of ${all} jobs kept …`,
  callOff: 'Call it off',
  calledOff: 'Called off: nothing was taken in.',
  brokeOff: 'The server broke off: look at the board whether it was taken in.',
  took: (jobs: number, customers: number, vehicles: number, photos: number) =>
    t`Taken in: ${countWords(jobs, t`job`, t`jobs`)}, ${countWords(customers, t`customer`, t`customers`)}, ${countWords(vehicles, t`vehicle`, t`vehicles`)}, ${countWords(photos, t`picture`, t`pictures`)}. People sign in once an owner gives them a passphrase.`
})

export const MAIL_FORM = texts({
  title: 'E-mail',
  says: 'Brings a report’s link to its customer. What the stand-in takes goes nowhere; it shows what was sent.',
  way: 'E-mail goes',
  ways: [
    { value: 'none', label: 'nowhere' },
    { value: 'stand-in', label: 'to the stand-in' },
    { value: 'smtp', label: 'by SMTP' }
  ] as const,
  host: 'Mail server',
  port: 'Port',
  security: 'Security',
  securities: [
    { value: 'starttls', label: 'STARTTLS' },
    { value: 'tls', label: 'TLS' },
    { value: 'none', label: 'none' }
  ] as const,
  openWarning:
    'Without security, user, password and letters can be read on the way: only for a server on this machine.',
  user: 'User',
  password: 'Password',
  passwordKept: 'One is kept. Empty leaves it as it is.',
  from: 'From the address',
  save: 'Save e-mail',
  saved: 'Saved.',
  tryTo: 'Try it with a letter to',
  try: 'Send a trial letter',
  tried: (to: Shown) => t`Sent to ${to}.`,
  sent: 'What the stand-in took',
  nothing: 'Nothing yet.'
})

export const SETTINGS = texts({
  settings: 'Settings',
  scaleCard: 'Scale card',
  scaleCardSays: 'Laid beside a part, it makes a photo of it a measurement.',
  settingsUmbrette: 'Settings · Umbrette',
  onPapers: 'On pages and papers',
  onPapersSays: 'Stands on every report from now on; reports shared already keep what they had.',
  name: 'Name of the workshop',
  address: 'Address',
  taxNumber: 'Tax number',
  foot: 'Foot of each report',
  footHint: 'Terms, bank, opening hours: whatever each customer is told.',
  onDevices: 'On devices',
  onDevicesSays: 'What a device shows until somebody chooses otherwise on it. Everything is kept metric.',
  lengths: 'Lengths in',
  lengthUnits: [
    { value: 'mm', label: 'millimetres' },
    { value: 'in', label: 'inches' }
  ] as const,
  usage: 'Usage in',
  usageUnits: [
    { value: 'km', label: 'km' },
    { value: 'mi', label: 'miles' }
  ] as const,
  torques: 'Torques in',
  torqueUnits: [
    { value: 'N·m', label: 'N·m' },
    { value: 'lb·ft', label: 'lb·ft' }
  ] as const,
  timeZone: 'Time zone',
  timeZoneHint: 'Dates on reports are days of this one.',
  logo: 'Logo',
  logoHint: 'At the head of each report. JPEG, PNG or WebP; made small.',
  chooseLogo: 'Choose a picture',
  noLogo: 'Take it away',
  currency: 'Currency',
  currencyHint: 'Jobs from now on, and new engines, are priced in it.',
  language: 'Language',
  languageHint: 'Of pages and papers, until somebody chooses otherwise on a device or a customer reads another.',
  save: 'Save',
  saved: 'Saved.'
})
