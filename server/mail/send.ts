import nodemailer from 'nodemailer'
import type { MailSettings } from '../../core/record'
import { told, type MailTrouble } from '../../words/problems'
import { mailSettings } from '../store/mail'
import { log } from '../utils/log'
import { Problem } from '../utils/problem'
import { STAND_IN_FROM, standInPort } from './standIn'

/** An e-mail of the workshop's: text alone, to one address. */
export interface Letter {
  to: string
  subject: string
  text: string
}

/** ms that a mail server may take to be reached, to greet, and to say nothing. */
const PATIENCE = { connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 20_000 } as const

/** What nodemailer says went wrong, by its code. */
const TROUBLES: Readonly<Record<string, MailTrouble>> = {
  EAUTH: 'signing-in',
  ENOAUTH: 'signing-in',
  EENVELOPE: 'address',
  EMESSAGE: 'refused',
  ESTREAM: 'refused'
}

/**
 * Sends a letter the way that is set up. Address and subject stand in the letter's head each by itself: neither can
 * bring another line or another address in.
 * @throws Problem conflict where none is set up, not-ready where it did not go out
 */
export async function sendLetter(name: string, { to, subject, text }: Letter): Promise<void> {
  const settings = await mailSettings()
  if (settings.way === 'none') throw new Problem('conflict', told('mail-not-set'))
  const transport = nodemailer.createTransport({ ...(await wayOf(settings)), ...PATIENCE })
  const from = settings.way === 'stand-in' ? STAND_IN_FROM : settings.from
  try {
    await transport.sendMail({
      from: { name: oneLine(name), address: from },
      to: { name: '', address: to },
      subject: oneLine(subject),
      text,
      disableFileAccess: true,
      disableUrlAccess: true
    })
  } catch (error) {
    const { code = '', responseCode } = error as { code?: string; responseCode?: number }
    log.warn({ code, responseCode }, 'an e-mail did not go out')
    throw new Problem('not-ready', told('mail-not-sent', { why: TROUBLES[code] ?? 'away' }), [], { cause: error })
  } finally {
    transport.close()
  }
}

const oneLine = (text: string) => text.replaceAll(/[\p{Cc}\u2028\u2029]+/gu, ' ').slice(0, 200)

async function wayOf({ way, host, port, security, user, password = '' }: MailSettings) {
  if (way === 'stand-in') return { host: '127.0.0.1', port: await standInPort(), secure: false, ignoreTLS: true }
  return {
    host,
    port,
    secure: security === 'tls',
    requireTLS: security === 'starttls',
    ignoreTLS: security === 'none',
    ...(user ? { auth: { user, pass: password } } : {})
  }
}
