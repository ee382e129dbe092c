import type { Role } from '../../../core/record'
import { t, texts, plural } from '../../spoken'

/** Roles as people know them, and what each may. */
export const ROLE_WORDS = texts({
  learner: { name: 'learner', says: 'practises' },
  mechanic: { name: 'mechanic', says: 'jobs, readings, photos, build-up' },
  foreman: {
    name: 'foreman',
    says: 'signs off, decides otherwise, releases holds, changes engines and prices, shares reports, sets PINs'
  },
  owner: { name: 'owner', says: 'everything, with settings, people and devices' }
})

/** Somebody of a role, or who may more. */
export function anyOf(role: Role): string {
  return role === 'owner' ? t`an owner` : t`a ${ROLE_WORDS[role].name}`
}

export const SIGN_IN = texts({
  signIn: 'Sign in',
  signInUmbrette: 'Sign in · Umbrette',
  whoTakesOver: 'Who takes over?',
  onDevice: (device: string) => t`This is ${device}. Your PIN is enough here.`,
  pinOf: (name: string) => t`PIN of ${name}`,
  withPassphrase: 'With name and passphrase',
  withPasskey: 'With a passkey',
  name: 'Your name',
  passphrase: 'Passphrase',
  forgotten: 'Forgotten? A foreman gives you a new PIN, an owner a new passphrase, both under People.',
  noPins: 'Nobody has a PIN yet: sign in with your passphrase, and choose one under your name.',
  serverAway: 'The server is away. Who was signed in can go on; nobody can sign in until it is back.'
})

/** Why a device gave no passkey. */
export const PASSKEY_FAULTS = texts({
  cancelled: 'The device gave none: it was cancelled, took too long, or knows none for this workshop.',
  held: 'This device has a passkey of yours already.'
})

export const PAIR = texts({
  pair: 'Pair this device',
  pairUmbrette: 'Pair this device · Umbrette',
  says: 'It becomes one of the workshop’s: people take over on it with their PIN. It can be taken out again under People.',
  code: 'Code shown on the other device',
  paired: (name: string) => t`This is ${name} now.`
})

export const SIGNED_IN = texts({
  atTheBench: 'signed in: ',
  signOut: 'Sign out',
  handOver: 'Hand over or sign out',
  yours: 'Your passphrase, PIN and sign-ins',
  left: (name: string, waiting: number) =>
    t`${name} left ${plural(waiting, t`an entry`, t`${waiting} entries`)} on this device, not sent yet.`,
  takeOver: 'Take over in my name',
  takesAForeman: 'They are sent when they sign in here; a foreman can take them over.'
})

export const ACCOUNT = texts({
  device: 'This device',
  account: 'Your sign-in',
  accountUmbrette: 'Your sign-in · Umbrette',
  secrets: 'Passphrase and PIN',
  current: 'Your passphrase now',
  passphrase: 'New passphrase',
  passphraseHint: 'Leave empty to keep it. Several words are easy to keep in mind.',
  pin: 'New PIN',
  pinHint: 'For devices of the workshop: four to eight digits. Leave empty to keep it.',
  save: 'Save',
  saved: 'Saved.',
  passkeys: 'Passkeys',
  passkeysSay:
    'On a device of your own, its fingerprint, face or lock signs you in, without your passphrase. Kept on the device; Umbrette keeps what tells it from others.',
  noPasskeys: 'None yet.',
  passkeyName: 'Name of this device',
  passkeyCurrent: 'Your passphrase, to add it',
  addPasskey: 'Add a passkey',
  takeOut: 'Take out',
  addedAt: 'added',
  neverUsed: 'not used yet',
  lastUsed: 'last used',
  noPasskeyHere:
    'None can be added here: a passkey needs the workshop opened by its name (not its number) over HTTPS, in a browser that knows them.',
  sessions: 'Where you are signed in',
  everybodys: 'Who is signed in, and where',
  onDevice: (device: string) => t`on ${device}`,
  ownDevice: 'on their own device',
  thisOne: 'this one',
  since: 'since',
  lastSeen: 'last seen',
  end: 'End',
  none: 'Nobody is signed in.'
})

export const PEOPLE = texts({
  people: 'People and devices',
  peopleUmbrette: 'People · Umbrette',
  open: 'Nobody signs in yet: whoever opens a page on this machine may do everything. Give an owner a passphrase, and from then on everybody signs in.',
  demo: 'This is the demo: everybody may do everything. In a workshop of your own people sign in.',
  works: 'Who works here',
  add: 'Add',
  addName: 'First name',
  change: 'Change',
  changing: (name: string) => t`Change ${name}`,
  name: 'Name',
  nameHint: 'What was entered under the earlier name stays under it.',
  role: 'May do',
  passphrase: 'New passphrase',
  passphraseHint: 'Leave empty to keep it. They are signed out everywhere, and their passkeys end.',
  pin: 'New PIN',
  pinHint: 'For devices of the workshop; four to eight digits. Leave empty to keep it.',
  save: 'Save',
  retire: 'Takes leave',
  retireSays: 'Signed out everywhere, no longer in lists. What they entered stays theirs.',
  backAgain: 'Is back',
  retired: 'left',
  passphraseSet: 'passphrase',
  pinSet: 'PIN',
  noSecret: 'cannot sign in yet',
  devices: 'Devices of the workshop',
  devicesSays: 'A tablet at the bench is paired once; then people take over on it with their PIN.',
  deviceName: 'Name of the device',
  showCode: 'Show its code',
  scan: 'Scan this with the tablet, or open the address on it and type the code. Good for two minutes, once.',
  code: 'Code',
  secondsLeft: (seconds: number) => t`${seconds} s left`,
  over: 'This code is over. Show a new one.',
  paired: (name: string) => t`${name} is paired.`,
  takeOut: 'Take out',
  pairedBy: (name: string) => (name ? t`paired by ${name},` : t`paired`),
  lastSeen: 'last seen',
  noDevices: 'None is paired.',
  qrOf: 'QR code of the address'
})

export const REFUSED = texts({
  title: 'Not here · Umbrette',
  needs: (role: Role) => t`This page is for ${anyOf(role)}.`,
  ask: 'Ask one to do it, or to change what you may under People.',
  nothingHere: 'There is nothing at this address.',
  broke: 'This page could not be made. Try again in a moment; what you entered is kept on this device.',
  back: 'To the board'
})

export const OFFLINE = texts({
  newer: 'A newer version is here. What waits on this device stays.',
  take: 'Take it'
})

export const PHONE = texts({
  phone: 'A phone as this bench’s camera',
  title: 'Phone as camera',
  scan: 'Scan this with a phone that is signed in. What it takes lands on the part that is open here, and follows it.',
  qrOf: 'QR code of this job’s camera',
  hereAlone: 'This workshop is answered on this machine alone: no phone reaches it. ./umbrette network opens it.',
  done: 'Done',
  landsOn: 'The next picture lands on',
  take: 'Take a picture',
  whoTakes: 'Choose who is at the bench first, at the top.',
  another: 'Another part'
})
