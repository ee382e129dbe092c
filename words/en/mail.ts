import type { MailTrouble } from '../problems'
import { t, texts } from '../spoken'

/** Why an e-mail did not go out, and what to do. */
export const MAIL_TROUBLES: Readonly<Record<MailTrouble, string>> = texts({
  away: 'The mail server could not be reached: look at its name, port and security under Settings, and at the network.',
  'signing-in': 'The mail server did not let the workshop in: look at user and password under Settings.',
  address: 'The mail server does not take this address: look at how it is written.',
  refused: 'The mail server did not take the letter.'
})

/** The letter that brings a customer the link of their report. */
export function writeShareLetter({
  workshop,
  vehicle,
  link,
  until
}: {
  workshop: string
  vehicle: string
  link: string
  until: string
}): { subject: string; text: string } {
  return {
    subject: t`${vehicle}: report from ${workshop}`,
    text: [
      t`Your report on ${vehicle} is here:`,
      '',
      link,
      '',
      t`It can be read until ${until}. Where it shows several ways, you can choose one there.`,
      t`Whoever has this link can read the report: pass it on to nobody else.`,
      '',
      workshop
    ].join('\n')
  }
}

/** The letter that tries whether e-mail goes out. */
export function writeTryLetter(workshop: string): { subject: string; text: string } {
  return {
    subject: t`E-mail from ${workshop} goes out`,
    text: t`This was sent to try whether it arrives. It did.`
  }
}
