import { describe, expect, it } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import { sayProblem } from '../../words/en'
import { told } from '../../words/problems'
import { JobRow } from '../../server/db/models'
import { askedIn, speakAsAsked, speakingTo } from '../../server/languages'
import { sentLetters } from '../../server/mail/standIn'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()
const VAN = DEMO_JOBS[0]!.id

describe('who asks', () => {
  it('is answered in their language, whoever else is answered meanwhile', async () => {
    speakAsAsked()
    const say = async () => {
      await new Promise((done) => setImmediate(done))
      return sayProblem(told('no-such-job'))
    }
    const [german, spanish, english] = await Promise.all([
      speakingTo({ id: 'de' }, say),
      speakingTo({ id: 'es' }, say),
      say()
    ])
    expect([german, spanish, english].map((text) => text.split(' ')[0])).toEqual(['Diesen', 'No', 'There'])
    expect(speakingTo({ id: 'id' }, askedIn)).toBe('id')
    expect(askedIn()).toBe('en')
  })
})

describe('a customer’s papers', () => {
  it('are in the customer’s language, and in ours where we ask for it', async () => {
    const id = await workshop.customers.addCustomer({
      name: 'Ana Ribera',
      phone: '',
      email: '',
      address: '',
      note: '',
      language: 'es'
    })
    expect((await workshop.customers.findCustomer(id)).language).toBe('es')
    const before = (await JobRow.findByPk(VAN))!.customerId
    await JobRow.update({ customerId: id }, { where: { id: VAN } })
    try {
      const theirs = (await workshop.reports.jobReport(VAN)).report
      expect(theirs.language).toBe('es')
      expect(theirs.headings.found).toBe('Lo que hallamos')
      expect(theirs.measures[0]!.read).toMatch(/\d,\d/)
      const ours = await speakingTo({ id: 'de' }, () => workshop.reports.jobReport(VAN, 'us'))
      expect([ours.report.language, ours.report.headings.found]).toEqual(['de', 'Was wir fanden'])
      const estimate = await workshop.estimates.jobPapers(VAN, 'customer')
      expect(estimate.paper.title).toMatch(/^Presupuesto: /)
      expect((await workshop.estimates.jobPapers(VAN)).paper.title).toMatch(/^Estimate: /)
      const { id: share, token } = await workshop.shares.createShare(VAN, 'Maren', 14)
      const asked = { token, to: 'ana@ribera.example', by: 'Maren', link: 'http://works.example/share/x' }
      await speakingTo({ id: 'de' }, () => workshop.shares.mailShare(VAN, share, asked))
      expect(sentLetters()[0]).toMatchObject({ to: asked.to, subject: expect.stringContaining(': informe de ') })
    } finally {
      await JobRow.update({ customerId: before }, { where: { id: VAN } })
    }
  })

  it('go by the workshop’s where a customer reads none of their own', async () => {
    const report = (await workshop.reports.jobReport(VAN)).report
    expect([report.language, report.headings.found]).toEqual(['en', 'What we found'])
  })
})
