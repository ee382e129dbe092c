import { readFileSync, writeFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { JobExport } from '../../core/record'
import type { DriveSheet } from '../../core/sheet'
import { changed, sheet } from '../support/sheets'
import { read } from '../support/jobs'
import { elongation, enter, expect, newJob, openBench, part, test } from './bench'

/** Fills in fields of the page by their labels. */
async function fill(page: Page, fields: Record<string, string>): Promise<void> {
  for (const [label, value] of Object.entries(fields)) await page.getByLabel(label, { exact: true }).fill(value)
}

/** The engine's own sheet under a name of the test's own. */
function ownSheet(id: string, name: string): DriveSheet {
  return changed(sheet('ardmere-a18'), (d) => Object.assign(d, { id, name }))
}

test('two chains over a shaft between, from counts: pictures, sums at the button, both judged together', async ({
  page
}) => {
  await page.goto('/engines/new')
  await fill(page, { Name: 'Osier O44', 'Where the limits come from (manual, edition, page)': 'manual, page 3' })
  await page.getByRole('radio', { name: 'anticlockwise' }).click()
  await page.getByRole('radio', { name: 'rollers' }).first().click()
  await page.getByRole('button', { name: 'Add another chain' }).click()
  const [lower, upper] = [page.getByTestId('chain-0'), page.getByTestId('chain-1')]
  const put = async (chain: typeof lower, fields: Record<string, string>) => {
    for (const [label, value] of Object.entries(fields)) await chain.getByLabel(label, { exact: true }).fill(value)
  }
  const tensioner = {
    'Extension, new drive, mm': '3',
    'Extension at the limit, mm': '14',
    'Stroke, mm': '20',
    'Elongation limit, %': '0.5'
  }
  await lower.getByLabel('Sprocket 1, from the slack side').fill('Idler')
  await lower.getByLabel('Idler turns').selectOption({ label: 'a shaft between' })
  await put(lower, {
    Links: '76',
    'Teeth, crank sprocket': '21',
    'Teeth, Idler': '42',
    'Crank to idler': '38',
    'Idler to crank': '37',
    ...tensioner
  })
  await upper.getByLabel('Driven by').selectOption({ label: 'the shaft of Idler, chain 1' })
  await upper.getByRole('radio', { name: '2', exact: true }).click()
  await put(upper, {
    Links: '90',
    'Teeth, driver': '24',
    'Teeth, each cam': '24',
    'Driver to intake cam': '35',
    'Intake cam to exhaust cam': '20',
    'Exhaust cam to driver': '35',
    ...tensioner
  })
  await upper.getByRole('radio', { name: 'between the strands' }).click()
  // A mark is touched on the clock's face, or chosen.
  await upper.getByTestId('clock').nth(1).locator('text', { hasText: '3' }).click()
  await expect(upper.getByLabel('Mark, Intake cam')).toHaveValue('3:00')
  await expect(page.getByTestId('count-sum').first()).toHaveText('The chain: 75 of 76 links counted.')
  await page.getByRole('button', { name: 'Keep this engine' }).click()
  await expect(lower).toContainText('sum to 75, but the chain has 76 links')
  await put(lower, { 'Idler to crank': '38' })
  await expect(page.getByTestId('shows')).toContainText('Timing chain 2')
  await page.getByRole('button', { name: 'Keep this engine' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Osier O44' })).toBeVisible()
  await expect(page.getByText(/rails\[|tensioners\[/)).toHaveCount(0)
})

test('an engine nobody here has heard of: from counts to a first estimate', async ({ page }) => {
  await page.goto('/engines')
  await page.getByRole('link', { name: 'Bring your own engine' }).click()
  await page.getByRole('button', { name: 'Keep this engine' }).click()
  await expect(page.getByLabel('Links', { exact: true })).toHaveAttribute('aria-invalid', 'true')
  await fill(page, {
    Name: 'Osier O22 twin',
    Cylinders: '2',
    'Pitch, mm': '6,35',
    Links: '104',
    'Teeth, crank sprocket': '17',
    'Teeth, each cam': '33'
  })
  await page.getByRole('radio', { name: '2', exact: true }).click()
  await fill(page, { 'Crank to intake cam': '43', 'Intake cam to exhaust cam': '18', 'Exhaust cam to crank': '42' })
  await fill(page, {
    'Extension, new drive, mm': '4',
    'Extension at the limit, mm': '14.5',
    'Stroke, mm': '20',
    'Elongation limit, %': '0.6',
    'Where the limits come from (manual, edition, page)': 'manual, page 41'
  })
  // Faults stand beside their fields: two teeth and the counts are wrong.
  await expect(
    page
      .getByText(/cam sprockets? turn/i)
      .or(page.getByTestId('fault'))
      .first()
  ).toBeVisible()
  await fill(page, { 'Teeth, each cam': '34', 'Exhaust cam to crank': '43' })
  await expect(page.getByTestId('shows')).toContainText('14.5 mm')
  await page.reload()
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Osier O22 twin')
  await page.getByRole('button', { name: 'Keep this engine' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Osier O22 twin' })).toBeVisible()
  await expect(page.getByTestId('sheet-limits')).toContainText('0.6 % (manual, page 41)')

  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByLabel('Vehicle or boat').fill('Osier ferry')
  await page.getByLabel('Engine').selectOption({ label: 'Osier O22 twin' })
  await page.getByLabel('Usage', { exact: true }).fill('1200')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL(/\/jobs\//)
  await page.goto(`${page.url()}?read=extension:tensioner`)
  await enter(page, '11')
  await expect(page.getByTestId('change')).toContainText('took elongation')
  expect(await elongation(page)).toBeGreaterThan(0.2)
})

test('centres measured roughly: the editor says how far the chain is from closing and offers the smallest correction', async ({
  page,
  request
}) => {
  await request.post('/api/sheets', { data: { sheet: ownSheet('rough-a18', 'Rough A18'), basedOn: 0, by: 'Tove' } })
  await page.goto('/engines/rough-a18/edit')
  await page
    .getByRole('navigation', { name: 'Sections of the sheet' })
    .getByRole('button', { name: 'Sprockets' })
    .click()
  await page.getByTestId('entry-sprockets-1').getByRole('button', { name: 'Exhaust cam sprocket', exact: true }).click()
  const y = page.getByLabel('Centre, y')
  await y.fill('334')
  await y.press('Tab')
  await expect(page.getByTestId('closing')).toContainText(/links \(\d\.\d mm\) too short for/)
  await expect(page.getByTestId('faults')).toContainText('the geometry takes')
  await expect(page.getByTestId('save-sheet')).toBeDisabled()
  await page.getByTestId('take-correction').click()
  await expect(page.getByTestId('closing')).toContainText('closes: 126.00 links of 126')
  await expect(page.getByTestId('sound')).toBeVisible()

  // A figure that is none is named at its field and not lost; undo brings back what was.
  const teeth = page.getByLabel('Teeth', { exact: true })
  await teeth.fill('thirty-six')
  await teeth.press('Tab')
  await expect(page.getByTestId('entry-sprockets-1').getByTestId('fault')).toContainText('expected a number')
  await page.reload()
  await page
    .getByRole('navigation', { name: 'Sections of the sheet' })
    .getByRole('button', { name: /Sprockets/ })
    .click()
  await page
    .getByTestId('entry-sprockets-1')
    .getByRole('button', { name: /Exhaust cam sprocket/ })
    .first()
    .click()
  await page
    .getByTestId('entry-sprockets-1')
    .getByRole('button', { name: /Exhaust cam sprocket expected/ })
    .click()
  await expect(teeth).toHaveValue('thirty-six')
  await teeth.fill('36')
  await teeth.press('Tab')
  await page.getByLabel('What changed, and why').fill('Measured again')
  await page.getByTestId('save-sheet').click()
  await expect(page.getByText('Maren', { exact: false }).filter({ hasText: 'Measured again' }).first()).toBeVisible()
})

test('operations are put in order by dragging and by keys, and kept in that order', async ({ page, request }) => {
  await request.post('/api/sheets', { data: { sheet: ownSheet('ordered-a18', 'Ordered A18'), basedOn: 0, by: 'Tove' } })
  await page.goto('/engines/ordered-a18/edit')
  await page
    .getByRole('navigation', { name: 'Sections of the sheet' })
    .getByRole('button', { name: 'Operations, parts' })
    .click()
  const first = page.getByTestId('entry-operations-0')
  const names = async () =>
    Promise.all([0, 1, 2].map((i) => page.getByTestId(`entry-operations-${i}`).getByRole('button').nth(1).innerText()))
  const [a, b, c] = await names()
  await first.getByRole('button', { name: /arrow move it/ }).press('ArrowDown')
  await expect.poll(names).toEqual([b, a, c])
  const grip = (i: number) => page.getByTestId(`entry-operations-${i}`).getByRole('button', { name: /arrow move it/ })
  await grip(0).scrollIntoViewIfNeeded()
  const [from, to] = [(await grip(0).boundingBox())!, (await grip(2).boundingBox())!]
  await page.mouse.move(from.x + 20, from.y + 20)
  await page.mouse.down()
  for (let step = 1; step <= 12; step++)
    await page.mouse.move(to.x + 20, from.y + 20 + ((to.y + 30 - from.y - 20) * step) / 12)
  // As a hand does: let go once it lies where it should. What is still moving aside takes no notice of the pointer.
  let sway = 0
  await expect(async () => {
    await page.mouse.move(to.x + 20, to.y + 30 + (sway = 1 - sway))
    expect(
      await page
        .getByTestId(/^entry-operations-/)
        .evaluateAll((entries) => entries.slice(0, 3).map((entry) => entry.querySelectorAll('button')[1]!.innerText))
    ).toEqual([a, c, b])
  }).toPass({ timeout: 8_000 })
  await page.mouse.up()
  await expect.poll(names).toEqual([a, c, b])
  await page.getByTestId('save-sheet').click()
  await page.waitForURL(/\/engines\/ordered-a18$/)
  const saved = (await (await request.get('/api/sheets/ordered-a18/export')).json()) as DriveSheet
  expect(saved.operations!.slice(0, 3).map(({ name }) => name)).toEqual([a, c, b])
})

test('a job keeps the revision it was measured with, and is moved to a newer one seeing what changes', async ({
  page,
  request
}) => {
  const id = 'revised-a18'
  await request.post('/api/sheets', { data: { sheet: ownSheet(id, 'Revised A18'), basedOn: 0, by: 'Tove' } })
  const made = (await (
    await request.post('/api/jobs', {
      data: {
        vehicle: 'Revision van',
        openedBy: 'Maren',
        sheet: id,
        usage: { value: 90_000, unit: 'km' },
        school: 'on-evidence'
      }
    })
  ).json()) as { id: string }
  await request.post(`/api/jobs/${made.id}/acts`, {
    data: { id: 'len', type: 'read', by: 'Maren', at: new Date().toISOString(), reading: read.length(160.6) }
  })
  const stricter = changed(
    ownSheet(id, 'Revised A18'),
    (d) => (d.limits.find((l: { kind: string }) => l.kind === 'elongation').value = 0.3)
  )
  await request.post('/api/sheets', { data: { sheet: stricter, basedOn: 1, by: 'Tove', note: 'Service letter 7' } })

  await openBench(page, made.id)
  await page.getByTestId('newer-sheet').click()
  await expect(page.getByRole('dialog')).toContainText('Service letter 7')
  await expect(page.getByTestId('sheet-change')).toContainText(['limits[elongation main].value'])
  await expect(page.getByTestId('move-effect')).toContainText(/Timing chain: Back in becomes Look closer/)
  await page.getByTestId('move-sheet').click()
  await expect(page.getByTestId('newer-sheet')).toHaveCount(0)
  await expect(page.getByTestId('save-state')).toHaveAttribute('data-state', 'saved')
  const file = (await (await request.get(`/api/jobs/${made.id}/export`)).json()) as JobExport
  expect(file.drive.limits.find(({ kind }) => kind === 'elongation')!.value).toBe(0.3)
  expect(file.openedOn!.limits.find(({ kind }) => kind === 'elongation')!.value).toBe(0.5)
  await page.getByTestId('take-back').click()
  await expect(page.getByTestId('newer-sheet')).toBeVisible()
})

test('two who edit one sheet: the second is told, and keeps the work as a copy', async ({ page, request }) => {
  await request.post('/api/sheets', { data: { sheet: ownSheet('shared-a18', 'Shared A18'), basedOn: 0, by: 'Tove' } })
  await page.goto('/engines/shared-a18/edit')
  await page.getByLabel('Note', { exact: true }).fill('Mine')
  await page.getByLabel('Note', { exact: true }).press('Tab')
  await request.post('/api/sheets', {
    data: { sheet: { ...ownSheet('shared-a18', 'Shared A18'), note: 'Theirs' }, basedOn: 1, by: 'Idris' }
  })
  await page.getByTestId('save-sheet').click()
  await expect(page.getByRole('alert')).toContainText('Revision 2 was saved while you worked')
  await page.getByRole('button', { name: 'Save as a copy' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Shared A18 (copy)' })).toBeVisible()
  await expect(page.getByText('Mine')).toBeVisible()
})

test('a sheet goes out as a file and comes in as one; a broken one is refused place by place', async ({
  page,
  request
}, info) => {
  await page.goto('/engines/torvane-d26')
  await expect(page.getByTestId('sheet-map')).toBeVisible()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Export' }).click()
  ])
  const out = JSON.parse(readFileSync(await download.path(), 'utf8')) as DriveSheet
  expect(out).toEqual(sheet('torvane-d26'))
  await page.goto('/engines')
  const broken = info.outputPath('broken.json')
  writeFileSync(
    broken,
    JSON.stringify({ ...out, id: 'torvane-two', sprockets: out.sprockets.map((s) => ({ ...s, teeth: 'many' })) })
  )
  await page.getByLabel('Drive sheet to import').setInputFiles(broken)
  await expect(page.getByTestId('import-problem')).toContainText(/: teeth expected/)
  const good = info.outputPath('good.json')
  writeFileSync(good, JSON.stringify({ ...out, id: 'torvane-two', name: 'Torvane, second' }))
  await page.getByLabel('Drive sheet to import').setInputFiles(good)
  await expect(page.getByRole('heading', { level: 1, name: 'Torvane, second' })).toBeVisible()
  expect((await request.get('/api/sheets/torvane-two')).ok()).toBe(true)
})

test('a removed engine goes off the list and comes back with a touch', async ({ page, request }) => {
  await request.post('/api/sheets', { data: { sheet: ownSheet('gone-a18', 'Gone A18'), basedOn: 0, by: 'Tove' } })
  await page.goto('/engines')
  const row = page.getByRole('listitem').filter({ hasText: 'Gone A18' })
  await row.getByRole('button', { name: 'Remove' }).click()
  await expect(row).toHaveCount(0)
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect(row).toBeVisible()
})

test('a counted sheet works at the bench without a drawing', async ({ page, request }) => {
  const made = (await (
    await request.post('/api/jobs', {
      data: {
        vehicle: 'Counted cycle',
        openedBy: 'Maren',
        sheet: 'quillon-q40-counted',
        usage: { value: 9000, unit: 'km' },
        school: 'on-evidence'
      }
    })
  ).json()) as { id: string }
  await page.goto(`/jobs/${made.id}?station=4`)
  await expect(page.getByText('This sheet is counted')).toBeVisible()
  await part(page, 'Ratchet lifter').click()
  await enter(page, '12')
  await expect(page.getByTestId('change')).toContainText('took elongation')
  await newJob(request)
})

test('trigger wheels are put on a sheet with their drawing; what cannot be read is named and not lost', async ({
  page,
  request
}) => {
  const own = changed(ownSheet('wheels-a18', 'Wheels A18'), (d) => void delete d.triggers)
  expect((await request.post('/api/sheets', { data: { sheet: own, basedOn: 0, by: 'Maren', note: '' } })).ok()).toBe(
    true
  )
  await page.goto('/engines/wheels-a18/edit')
  await page.getByRole('button', { name: 'Trigger wheels' }).click()
  await fill(page, {
    'Crank wheel: teeth, the missing ones counted': '36',
    'Missing at its gap': '1',
    'First tooth after the gap, crank degrees': '84'
  })
  await page.getByTestId('stretches-cam-in').fill('30-120, oops')
  await page.getByTestId('stretches-cam-in').blur()
  await expect(page.getByTestId('faults')).toBeVisible()
  await expect(page.getByTestId('stretches-cam-in')).toHaveValue('30-120, oops')
  await page.getByTestId('stretches-cam-in').fill('30-120, 200 to 250')
  await page.getByTestId('stretches-cam-ex').fill('60-100; 240-330')
  await page.getByTestId('stretches-cam-ex').blur()
  await expect(page.getByTestId('sound')).toBeVisible()
  await page.getByTestId('save-sheet').click()
  await expect(page).toHaveURL(/engines\/wheels-a18$/)
  const kept = (await (await request.get('/api/sheets/wheels-a18')).json()) as { sheet: DriveSheet }
  expect(kept.sheet.triggers).toEqual({
    crank: { teeth: 36, missing: 1, first: 84 },
    cams: {
      'cam-in': [
        [30, 120],
        [200, 250]
      ],
      'cam-ex': [
        [60, 100],
        [240, 330]
      ]
    }
  })
})
