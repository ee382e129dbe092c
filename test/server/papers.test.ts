import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import { estimateCsv, orderCsv } from '../../server/csv/estimateCsv'
import { type Printed, printPaper } from '../../server/pdf/printPapers'
import { useWorkshop } from './workshop'

/** A job's papers as they come out of the printer. */
const workshop = useWorkshop()
const faces = {
  regular: readFileSync('server/assets/fonts/Barlow-Regular.ttf'),
  bold: readFileSync('server/assets/fonts/Barlow-SemiBold.ttf')
}
const print = async (printed: Printed, size: 'a4' | 'letter' = 'a4') =>
  Buffer.from(await printPaper(printed, size, faces))
const pagesOf = (pdf: Buffer) =>
  Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', ['-'], { input: pdf, encoding: 'utf8' }))![1])
const textOf = (pdf: Buffer) =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' }).replaceAll(/\s+/g, ' ')
const address = 'https://works.localhost:8443/jobs/5a17a000-0000-4000-8000-000000000001'

describe('papers for the wall', () => {
  it('a worksheet is one page and a build-up two, of every engine and on both papers, with every line on them', async () => {
    for (const { id } of DEMO_JOBS) {
      const { worksheet, build } = await workshop.estimates.makePapers(id)
      for (const size of ['a4', 'letter'] as const) {
        const sheet = await print({ kind: 'wall', paper: worksheet, address, pages: 1 }, size)
        expect([id, size, pagesOf(sheet)]).toEqual([id, size, 1])
        const up = await print({ kind: 'wall', paper: build, address, pages: 2 }, size)
        expect([id, size, pagesOf(up) <= 2]).toEqual([id, size, true])
        if (size === 'letter') continue
        for (const { title } of [...worksheet.groups]) expect(textOf(sheet)).toContain(title)
        for (const { title } of [...build.groups]) expect(textOf(up)).toContain(title)
      }
    }
  }, 60_000)

  it('a label is one small page with whose it is', async () => {
    const { label } = await workshop.estimates.makePapers(DEMO_JOBS[0]!.id)
    const pdf = await print({ kind: 'label', paper: label, address })
    expect(pagesOf(pdf)).toBe(1)
    for (const said of ['Pilot van 3', 'SH-13-PV', 'Saltmarsh Harbour Pilots', '148 200 km'])
      expect(textOf(pdf)).toContain(said.replaceAll(/\s/g, ' '))
    const long = await print({
      kind: 'label',
      paper: { vehicle: 'Vehicle '.repeat(15), lines: Array.from({ length: 4 }, () => 'word '.repeat(30)) },
      address
    })
    expect(pagesOf(long)).toBe(1)
  })
})

describe('an estimate and its order list', () => {
  it('say on paper and in CSV what the page says; a cell that a spreadsheet would run is harmless', async () => {
    const { paper, order, estimate, orderLines } = await workshop.estimates.makePapers(DEMO_JOBS[0]!.id)
    const text = textOf(await print({ kind: 'estimate', paper, logo: null }))
    for (const said of [...paper.letterhead, ...paper.customer, ...paper.lines.map(({ text: line }) => line)])
      expect(text).toContain(said.replaceAll(/\s/g, ' '))
    for (const { label, value } of paper.sums) expect(text).toContain(`${label} ${value}`.replaceAll(/\s/g, ' '))
    const ordered = textOf(await print({ kind: 'order', paper: order, logo: null }))
    for (const { number } of order.lines) expect(ordered).toContain(number)
    const rows = estimateCsv(estimate).trim().split('\r\n')
    expect(rows).toHaveLength(estimate.lines.length + 2)
    expect(rows.at(-1)).toBe(`sum,,,,,,${estimate.sums.net},${estimate.sums.tax},${estimate.sums.gross},,EUR`)
    const evil = [{ ...orderLines[0]!, text: '=1+1' }]
    expect(orderCsv(evil, 'EUR')).toContain("'=1+1")
  })
})
