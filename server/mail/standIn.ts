import type { AddressInfo } from 'node:net'
import { simpleParser } from 'mailparser'
import { SMTPServer } from 'smtp-server'
import { log } from '../utils/log'

/**
 * A mail server of our own on this machine, for trying things: it takes letters as any would, sends none on, and shows
 * what came in, until it ends.
 */

export const STAND_IN_FROM = 'workshop@umbrette.example'

/** A letter that came in. */
export interface SentLetter {
  to: string
  from: string
  subject: string
  text: string
  at: string
}

const MOST = 50
const MOST_BYTES = 1_000_000

let letters: SentLetter[] = []
let running: Promise<number> | null = null

/** What was sent, the newest first. */
export const sentLetters = (): readonly SentLetter[] => letters

/** Lets go of every letter: one may name somebody who was erased. */
export function forgetLetters(): void {
  letters = []
}

/** The port that it listens on, of this machine alone; it is started with the first letter. */
export function standInPort(): Promise<number> {
  running ??= start().catch((error: unknown) => {
    running = null
    throw error
  })
  return running
}

function start(): Promise<number> {
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: MOST_BYTES,
    logger: false,
    onData(stream, session, done) {
      simpleParser(stream).then(
        ({ subject = '', text = '' }) => {
          const { mailFrom, rcptTo } = session.envelope
          const from = mailFrom === false ? '' : mailFrom.address
          const to = rcptTo.map(({ address }) => address).join(', ')
          letters = [{ to, from, subject, text, at: new Date().toISOString() }, ...letters].slice(0, MOST)
          done()
        },
        (error: Error) => done(error)
      )
    }
  })
  server.on('error', (error) => log.warn({ err: error }, 'the stand-in for a mail server'))
  return new Promise((resolve, reject) => {
    server.server.once('error', reject)
    const listening = server.listen(0, '127.0.0.1', () => {
      listening.unref()
      resolve((listening.address() as AddressInfo).port)
    })
  })
}
