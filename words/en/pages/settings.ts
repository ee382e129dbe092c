export const SETTINGS = {
  settings: 'Settings',
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
  languages: [{ value: 'en', label: 'English' }] as const,
  languageHint: 'Of pages and papers.',
  save: 'Save',
  saved: 'Saved.'
}
