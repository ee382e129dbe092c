import { readJob } from '../../core/record'
import { writeAssessment } from '../../words/en'
import { execFileSync } from 'node:child_process'
import type { Page } from '@playwright/test'
import sharp from 'sharp'
import { assess, pathsOf, type Assessment } from '../../core/paths'
import { jobOf, read } from '../support/jobs'
import { expect, newJob, test, wakeful } from './bench'

const WORN = [read.length(160.95), read.extension(17), read.groove('guide', 0.4)]
const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')

test('a call is overruled with a reason that stays, and taken back', async ({ page, request }) => {
  await page.goto(`/jobs/${await newJob(request, WORN)}/verdict`)
  const chain = page.getByTestId('call-main')
  await expect(chain).toHaveAttribute('data-call', 'renew')
  await chain.getByRole('button', { name: 'Decide otherwise' }).click()
  await chain.getByRole('radio', { name: 'Back in' }).click()
  await chain.getByRole('button', { name: 'Decide', exact: true }).click()
  await expect(chain.getByRole('alert')).toContainText('Say why')
  await chain.getByLabel('Why').fill('Owner scraps the boat next month.')
  await chain.getByRole('button', { name: 'Decide', exact: true }).click()
  await expect(chain).toHaveAttribute('data-call', 'back-in')
  await saved(page)
  await page.reload()
  await expect(chain.getByTestId('overruled')).toContainText(
    'Maren decided: back in. Owner scraps the boat next month.'
  )
  await expect(chain.getByTestId('overruled')).toContainText('The readings say: renew.')
  await chain.getByRole('button', { name: 'Take back' }).click()
  await expect(chain).toHaveAttribute('data-call', 'renew')
})

test('the other schools say what they would do otherwise', async ({ page, request }) => {
  await page.goto(`/jobs/${await newJob(request, WORN)}/verdict`)
  await expect(page.getByTestId('other-schools')).toContainText('Whole set')
  await expect(page.getByTestId('other-schools').getByRole('listitem').first()).toContainText(/instead of/)
})

test("paths: the schools', the front to touch, one built by hand, prices changed for this job", async ({
  page,
  request
}) => {
  const id = await newJob(request, WORN)
  await page.goto(`/jobs/${id}/paths`)
  const file = jobOf(WORN)
  const expected = pathsOf(file, assess(file))!
  await expect(page.getByTestId('paths').getByRole('row')).toHaveCount(expected.paths.length + 1)
  await expect(page.getByTestId('paths')).toContainText('Whole set')
  const now = page.getByTestId('own-now')
  const before = await now.textContent()
  await page
    .getByRole('button', { name: /^Path \d+: / })
    .last()
    .click()
  await expect(now).not.toHaveText(before!)
  const phaser = page.getByTestId('builder').getByRole('checkbox').last()
  const dear = await now.textContent()
  await phaser.click()
  await expect(now).not.toHaveText(dear!)
  await page.getByRole('button', { name: 'expected cost' }).click()
  await page.getByTestId('advise').click()
  await expect(page.getByTestId('advise')).toHaveText('This is what we advise')

  await page.getByTestId('pricing').locator('summary').click()
  const rate = page.getByLabel(/^Labour, an hour/)
  await rate.fill('many')
  await rate.press('Tab')
  await expect(page.getByTestId('pricing').getByRole('alert')).toContainText('Expected a number')
  const price = await now.textContent()
  await rate.fill('160')
  await rate.press('Tab')
  await expect(now).not.toHaveText(price!)
  await expect(page.getByTestId('pricing')).toContainText('this job')
  await rate.fill('')
  await rate.press('Tab')
  await expect(now).toHaveText(price!)
})

test('what the shop keeps is what new jobs are weighed with, each figure saying where it is from', async ({
  page,
  request
}) => {
  const id = await newJob(request, WORN)
  await page.goto(`/jobs/${id}/paths`)
  await page.getByTestId('pricing').locator('summary').click()
  await page.getByLabel('Or in months').fill('18')
  await page.getByLabel('km a month').fill('2000')
  await page.getByRole('button', { name: 'Hold against that' }).click()
  await expect(page.getByLabel(/^Held against/)).toHaveValue('36000')
  await page.getByTestId('keep-shop').click()
  await expect(page.getByText('Kept: jobs opened from now on')).toBeVisible()
  const made = (await (
    await request.post('/api/jobs', {
      data: {
        vehicle: 'Shop priced',
        openedBy: 'Maren',
        sheet: 'ardmere-a18',
        usage: { value: 9, unit: 'km' },
        school: 'weighed'
      }
    })
  ).json()) as { id: string }
  await page.goto(`/jobs/${made.id}/paths`)
  await page.getByTestId('pricing').locator('summary').click()
  await expect(page.getByLabel(/^Held against/)).toHaveValue('36000')
  await expect(
    page
      .getByTestId('pricing')
      .locator('span', { hasText: /^shop$/ })
      .first()
  ).toBeVisible()
  await request.post('/api/pricing', { data: {} })
})

test('a sheet without prices says where they would go', async ({ page, request }) => {
  const { drive, ...others } = jobOf(WORN)
  const { parts: _parts, waysIn: _ways, ...bare } = drive
  const { id } = (await (
    await request.post('/api/jobs/import?by=Maren', { data: { ...others, drive: bare } })
  ).json()) as { id: string }
  await page.goto(`/jobs/${id}/paths`)
  await expect(page.getByText('The sheet has no parts and prices')).toBeVisible()
})

test('signing freezes the verdict; a later reading is shown against it and makes a new revision', async ({
  page,
  request
}) => {
  const id = await newJob(request, WORN)
  await page.goto(`/jobs/${id}/verdict`)
  await page.getByTestId('sign').click()
  await expect(page.getByTestId('signed')).toContainText('Revision 1 signed by Maren')
  await saved(page)
  await expect(page.getByTestId('signoff')).toContainText('Nothing that it rests on has changed since.')
  await request.post(`/api/jobs/${id}/acts`, {
    data: { id: 'more', type: 'read', by: 'Idris', at: new Date().toISOString(), reading: read.play('phaser-in', 5) }
  })
  await expect(page.getByTestId('since')).toContainText('Added: Phaser play 5.0° (Idris)')
  await expect(page.getByTestId('since')).toContainText('Intake phaser: look closer became renew')
  await page.getByTestId('sign').click()
  await expect(page.getByTestId('signed')).toContainText('Revision 2')
  await saved(page)
  await expect(page.getByTestId('since')).toHaveCount(0)
})

test('worker, server and command line come to the same assessment, byte for byte', async ({ page, request }) => {
  const id = await newJob(request, WORN)
  const server = (await (await request.get(`/api/jobs/${id}/assessment`)).text()).trim()
  await page.goto(`/jobs/${id}/verdict`)
  await page.getByTestId('sign').click()
  await saved(page)
  const { acts } = (await (await request.get(`/api/jobs/${id}`)).json()) as {
    acts: { act: { type: string; assessment?: Assessment } }[]
  }
  const { job } = readJob(await (await request.get(`/api/jobs/${id}/export`)).json())
  expect(JSON.stringify(writeAssessment(job!, acts.find(({ act }) => act.type === 'signoff')!.act.assessment!))).toBe(
    server
  )
})

test('a link shows the customer the report and nothing else, takes a choice, and can be taken back', async ({
  page,
  request,
  browser,
  baseURL
}) => {
  const id = await newJob(request, WORN)
  const picture = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#456' } })
    .jpeg()
    .toBuffer()
  const photo = (await (
    await request.post(`/api/jobs/${id}/photos`, { data: picture, headers: { 'content-type': 'image/jpeg' } })
  ).json()) as { id: string }
  await request.post(`/api/jobs/${id}/acts`, {
    data: {
      id: 'pic',
      type: 'photo',
      by: 'Maren',
      at: new Date().toISOString(),
      photo: photo.id,
      part: 'guide',
      note: '<b>groove</b>'
    }
  })
  await page.goto(`/jobs/${id}/report`)
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = (await page.getByTestId('link').getByRole('link').textContent())!
  const guest = wakeful(await (await browser.newContext({ baseURL: baseURL! })).newPage())
  await guest.goto(link)
  await expect(guest.getByRole('heading', { level: 1 })).toHaveText('Ardmere A18, 1.8 l four')
  await expect(guest.getByText('guide: <b>groove</b>')).toBeVisible()
  await expect(guest.locator('figure img')).toHaveJSProperty('naturalWidth', 400)
  await expect(guest.getByRole('link', { name: 'Board' })).toHaveCount(0)
  expect(await guest.content()).not.toContain(id)
  const price = await guest
    .getByTestId('choose')
    .getByRole('radio')
    .first()
    .locator('xpath=..')
    .locator('.figure')
    .textContent()
  await guest.getByTestId('choose').getByRole('radio').first().check()
  await guest.getByRole('button', { name: 'Tell the workshop' }).click()
  await expect(guest.getByRole('alert')).toContainText('Type your name')
  await guest.getByLabel('Your name').fill('Ada Quay')
  await guest.getByRole('button', { name: 'Tell the workshop' }).click()
  await expect(guest.getByTestId('choose')).toContainText(`Ada Quay chose`)
  await expect(guest.getByTestId('choose')).toContainText(price!)
  await page.goto(`/jobs/${id}/paths`)
  await expect(page.getByTestId('choice')).toContainText('Ada Quay chose')

  const pdf = execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: await (await request.get(`${new URL(link).pathname.replace('/share/', '/api/share/')}/report.pdf`)).body(),
    encoding: 'utf8'
  })
  expect(pdf.replaceAll(/\s/g, '')).toContain(price!.replaceAll(/\s/g, ''))
  await page.goto(`/jobs/${id}/report`)
  await page.getByTestId('shares').getByRole('button', { name: 'Take back' }).click()
  await expect(page.getByTestId('shares')).toContainText('taken back')
  await guest.goto(link)
  await expect(guest.getByRole('alert')).toContainText('has taken this link back')
  await guest.goto('/share/not-a-token')
  await expect(guest.getByRole('alert')).toContainText('leads nowhere')
})

test('the whole job as one file, photos in it, comes back with them', async ({ request }) => {
  const id = await newJob(request, WORN)
  const picture = await sharp({ create: { width: 320, height: 200, channels: 3, background: '#654' } })
    .jpeg()
    .toBuffer()
  const photo = (await (
    await request.post(`/api/jobs/${id}/photos`, { data: picture, headers: { 'content-type': 'image/jpeg' } })
  ).json()) as { id: string }
  await request.post(`/api/jobs/${id}/acts`, {
    data: { id: 'pic', type: 'photo', by: 'Maren', at: new Date().toISOString(), photo: photo.id, part: 'guide' }
  })
  const file = (await (await request.get(`/api/jobs/${id}/export`)).json()) as { photos: unknown[] }
  expect(file.photos).toHaveLength(1)
  const back = (await (await request.post('/api/jobs/import?by=Tove', { data: file })).json()) as { id: string }
  const { acts } = (await (await request.get(`/api/jobs/${back.id}`)).json()) as { acts: { act: { photo?: string } }[] }
  const taken = acts.find(({ act }) => act.photo)!.act.photo!
  expect(taken).not.toBe(photo.id)
  expect((await request.get(`/api/photos/${taken}`)).ok()).toBe(true)
  const bad = await request.post('/api/jobs/import?by=Tove', { data: { ...file, photos: [{ id: 'x', jpeg: 'AAAA' }] } })
  expect(bad.status()).toBe(422)
})

test('weighing can be called off and taken up again', async ({ page, request }) => {
  const id = await newJob(request, WORN)
  await page.addInitScript(() => {
    // A planner that never answers, as on a very slow device, until it is called off.
    const Real = window.Worker
    const slow = window as unknown as { slow: boolean }
    slow.slow = true
    window.Worker = class extends Real {
      override postMessage(...args: [unknown]) {
        if (!(slow.slow && JSON.stringify(args[0]).includes('"paths"'))) super.postMessage(...args)
      }
    } as typeof Worker
  })
  await page.goto(`/jobs/${id}/paths`)
  await page.getByRole('button', { name: 'Call off' }).click()
  await page.evaluate(() => ((window as unknown as { slow: boolean }).slow = false))
  await page.getByRole('button', { name: 'Weigh the paths' }).click()
  await expect(page.getByTestId('paths')).toBeVisible()
})
