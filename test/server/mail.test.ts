import { SMTPServer } from 'smtp-server'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { schemaFaults } from '../../core/check'
import { mailSchema, type MailSettings } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { useWorkshop } from './workshop'

/** A report's link by e-mail: to one address, by the stand-in or by SMTP. */
const workshop = useWorkshop()
const id = DEMO_JOBS[0]!.id
const by = 'Maren'
let mail: typeof import('../../server/store/mail')
let send: typeof import('../../server/mail/send').sendLetter
let standIn: typeof import('../../server/mail/standIn')

const smtp = (more: Partial<MailSettings> = {}): MailSettings => ({
  way: 'smtp',
  host: '127.0.0.1',
  port,
  security: 'none',
  user: 'ada',
  password: 'right',
  from: 'works@harbour.example',
  ...more
})
let port = 0
const came: { raw: string; to: string[] }[] = []
const server = new SMTPServer({
  allowInsecureAuth: true,
  disabledCommands: ['STARTTLS'],
  logger: false,
  onAuth: ({ username = '', password }, _session, done) =>
    done(username === 'ada' && password === 'right' ? null : new Error('no'), { user: username }),
  onRcptTo: ({ address }, _session, done) => done(address.startsWith('nobody') ? new Error('unknown') : null),
  onData(stream, { envelope }, done) {
    let raw = ''
    stream.on('data', (piece: Buffer) => (raw += piece.toString()))
    stream.on('end', () => {
      came.push({ raw, to: envelope.rcptTo.map(({ address }) => address) })
      done()
    })
  }
})

beforeAll(async () => {
  mail = await import('../../server/store/mail')
  standIn = await import('../../server/mail/standIn')
  send = (await import('../../server/mail/send')).sendLetter
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  port = (server.server.address() as AddressInfo).port
})
afterAll(() => new Promise<void>((ended) => server.close(ended)))

const share = async () => {
  const made = await workshop.shares.createShare(id, by, 14)
  const link = `http://works.example/share/${made.token}`
  return {
    ...made,
    link,
    mailTo: (to: string) => workshop.shares.mailShare(id, made.id, { token: made.token, to, by, link })
  }
}

describe('A link', () => {
  it('goes to the stand-in on the demo, which shows what was sent and sends nothing on', async () => {
    const { mail: known, link, mailTo } = await share()
    expect(known.set).toBe(true)
    const listed = await mailTo('office@pilots.example')
    expect(listed.mailed).toMatchObject([{ to: 'office@pilots.example', by }])
    expect(standIn.sentLetters()[0]).toMatchObject({ to: 'office@pilots.example' })
    expect(standIn.sentLetters()[0]!.text).toContain(link)
    expect((await workshop.shares.listShares(id))[0]!.mailed).toHaveLength(1)
  })

  it('is sent by nobody who was not given it, nor for another job, nor once it is taken back', async () => {
    const { id: shareId, token, link, mailTo } = await share()
    const asked = { token, to: 'a@b.example', by, link }
    await expect(workshop.shares.mailShare(id, shareId, { ...asked, token: 'guessed' })).rejects.toMatchObject({
      code: 'not-found'
    })
    await expect(workshop.shares.mailShare(DEMO_JOBS[1]!.id, shareId, asked)).rejects.toMatchObject({
      code: 'not-found'
    })
    await workshop.shares.revokeShare(id, shareId)
    await expect(mailTo('a@b.example')).rejects.toMatchObject({ code: 'gone' })
  })

  it('is sent twenty times at the most, each noted', async () => {
    const { mailTo } = await share()
    for (let i = 0; i < 20; i++) await mailTo(`a${i}@b.example`)
    await expect(mailTo('one-more@b.example')).rejects.toMatchObject({ code: 'conflict' })
  })

  it('of a workshop that set nothing up stays to be copied', async () => {
    await mail.keepMail(smtp({ way: 'none' }))
    const { mail: known, mailTo } = await share()
    expect(known.set).toBe(false)
    await expect(mailTo('a@b.example')).rejects.toMatchObject({ code: 'conflict' })
  })
})

describe('By SMTP', () => {
  it('a letter goes out signed in, and nothing can be slipped into its head', async () => {
    await mail.keepMail(smtp())
    const name = 'Works\r\nBcc: spy@evil.example'
    await send(name, { to: 'a@b.example', subject: 'Van\r\nCc: spy@evil.example\u2028x', text: 'Bcc: in the body' })
    const { raw, to } = came.at(-1)!
    expect(to).toEqual(['a@b.example'])
    const [head] = raw.split('\r\n\r\n')
    expect(head).not.toMatch(/^(bcc|cc):/im)
  })

  it.each([
    ['a wrong password', { password: 'wrong' }, 'a@b.example', 'signing-in'],
    ['an address that the server refuses', {}, 'nobody@b.example', 'address'],
    ['a server that is not there', { port: 1 }, 'a@b.example', 'away'],
    ['a server without the security asked for', { security: 'starttls' as const }, 'a@b.example', 'away']
  ])('%s is told in words, and nothing is noted as sent', async (_, more, to, why) => {
    await mail.keepMail(smtp(more))
    const { mailTo } = await share()
    await expect(mailTo(to)).rejects.toMatchObject({ code: 'not-ready', said: { figures: { why } } })
    expect((await workshop.shares.listShares(id))[0]!.mailed).toEqual([])
  })

  it('a password is kept when it is not told again, never shown, and goes with another server', async () => {
    await mail.keepMail(smtp())
    const { password: _password, ...again } = smtp()
    await mail.keepMail(again)
    expect((await mail.mailSettings()).password).toBe('right')
    expect(await mail.shownMail()).toEqual({ ...again, hasPassword: true })
    await mail.keepMail({ ...again, host: 'elsewhere.example' })
    expect((await mail.mailSettings()).password).toBeUndefined()
  })
})

describe('What is set up', () => {
  it.each([
    [{ host: '' }, 'host'],
    [{ host: 'a b' }, 'host'],
    [{ host: 'x\r\ny' }, 'host'],
    [{ from: '' }, 'from'],
    [{ from: 'a@b.example, c@d.example' }, 'from'],
    [{ from: 'a@b.example\r\nBcc: x@y.zz' }, 'from'],
    [{ port: 0 }, 'port'],
    [{ security: 'some' }, 'security']
  ])('%j is refused at its field', (more, field) => {
    expect(schemaFaults(mailSchema, { ...smtp(), ...more }).map(({ place }) => place)).toContain(field)
  })

  it('nothing is needed where nothing is sent', () => {
    expect(schemaFaults(mailSchema, smtp({ way: 'none', host: '', from: '' }))).toEqual([])
  })
})
