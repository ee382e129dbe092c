import { gzipSync } from 'node:zlib'
import { jobOf, read } from '../support/jobs'
import { expect, newJob, test } from './bench'

const act = (id: string, reading: unknown) => ({
  id,
  type: 'read',
  by: 'Maren',
  at: '2026-11-24T08:00:00.000Z',
  reading
})

test('health looks at the database', async ({ request }) => {
  const answer = await request.get('/api/health')
  expect([answer.status(), await answer.json()]).toEqual([200, { ok: true, app: 'umbrette' }])
})

test('every refusal has one shape, names place and fault, and shows nothing internal', async ({ request }) => {
  const id = await newJob(request)
  const cases: [
    string,
    Promise<{ status: () => number; json: () => Promise<unknown> }>,
    number,
    string,
    string | undefined
  ][] = [
    ['no such address', request.get('/api/nothing'), 404, 'not-found', undefined],
    ['no such job', request.get('/api/jobs/nonsense'), 404, 'not-found', undefined],
    [
      'an act on no job',
      request.post('/api/jobs/nonsense/acts', { data: act('x', read.groove('guide', 1)) }),
      404,
      'not-found',
      undefined
    ],
    [
      'text for a number',
      request.post(`/api/jobs/${id}/acts`, { data: act('x', { ...read.groove('guide', 1), value: '1' }) }),
      422,
      'bad-input',
      'reading.value'
    ],
    [
      'a figure that cannot be',
      request.post(`/api/jobs/${id}/acts`, { data: act('x', read.extension(99)) }),
      422,
      'bad-input',
      'reading.value'
    ],
    [
      'no JSON',
      request.post(`/api/jobs/${id}/acts`, {
        data: Buffer.from('{"a":'),
        headers: { 'content-type': 'application/json' }
      }),
      400,
      'bad-request',
      undefined
    ],
    [
      'a job without its vehicle',
      request.post('/api/jobs', {
        data: { openedBy: 'Maren', sheet: 'ardmere-a18', usage: { value: 1, unit: 'km' }, school: 'weighed' }
      }),
      422,
      'bad-input',
      'vehicle'
    ],
    [
      'an engine nobody has',
      request.post('/api/jobs', {
        data: { vehicle: 'Van', openedBy: 'Maren', sheet: 'ghost', usage: { value: 1, unit: 'km' }, school: 'weighed' }
      }),
      422,
      'bad-input',
      'sheet'
    ],
    ['an empty name', request.post('/api/people', { data: { name: '  ' } }), 422, 'bad-input', 'name'],
    ['a case code with a slip', request.get('/api/practice/cases/A3-7KQ2MX'), 422, 'bad-input', undefined],
    [
      'a case nobody keeps',
      request.get('/api/practice/cases/5a17a000-0000-4000-8000-0000000000ff'),
      404,
      'not-found',
      undefined
    ],
    [
      'a case without its truth',
      request.post('/api/practice/cases', { data: { format: 'umbrette-practice', version: 1 } }),
      422,
      'bad-input',
      'seed'
    ],
    [
      'a run by nobody',
      request.post('/api/practice/runs', {
        data: { id: '5a17a000-0000-4000-8000-0000000000fe', by: ' ', case: 'A3-7KQ2MD', moves: [] }
      }),
      422,
      'bad-input',
      'by'
    ],
    [
      'moves that are none',
      request.post('/api/practice/runs', {
        data: { id: '5a17a000-0000-4000-8000-0000000000fe', by: 'Maren', case: 'A3-7KQ2MD', moves: [{ type: 'fly' }] }
      }),
      422,
      'bad-input',
      'moves[0].type'
    ],
    ['a run that is not', request.get('/api/practice/runs/nonsense'), 404, 'not-found', undefined],
    [
      'an open job told as a case',
      request.post(`/api/jobs/${id}/practice`, { data: { title: 'x', by: 'Maren' } }),
      409,
      'conflict',
      undefined
    ],
    [
      'too much',
      request.post(`/api/jobs/${id}/acts`, {
        data: act('x', { ...read.groove('guide', 1), note: 'x'.repeat(600_000) })
      }),
      413,
      'too-large',
      undefined
    ],
    [
      'another site',
      request.post('/api/people', { data: { name: 'Eve' }, headers: { origin: 'http://elsewhere.example' } }),
      403,
      'forbidden',
      undefined
    ]
  ]
  for (const [name, answer, status, code, place] of cases) {
    const { error } = (await (await answer).json()) as {
      error: { code: string; message: string; faults: { place: string }[] }
    }
    expect([name, (await answer).status(), error.code, error.faults[0]?.place]).toEqual([name, status, code, place])
    expect(Object.keys(error).sort()).toEqual(['code', 'faults', 'message'])
    expect(error.message).not.toMatch(/sequelize|postgres|stack|\/server\//i)
  }
})

test('the same act sent twice is kept once', async ({ request }) => {
  const id = await newJob(request)
  const twice = [
    await request.post(`/api/jobs/${id}/acts`, { data: act('same', read.groove('guide', 0.4)) }),
    await request.post(`/api/jobs/${id}/acts`, { data: act('same', read.groove('guide', 0.4)) })
  ]
  expect(await twice[0]!.json()).toEqual(await twice[1]!.json())
  expect(((await (await request.get(`/api/jobs/${id}`)).json()) as { acts: unknown[] }).acts).toHaveLength(1)
})

test('hostile text is shown as text', async ({ page, request }) => {
  const id = await newJob(request, [
    { ...read.groove('guide', 0.4), note: '<img src=x onerror="document.title=1"><script>document.title=2</script>' }
  ])
  await page.goto(`/jobs/${id}?read=groove:guide`)
  await expect(page.getByTestId('reading')).toContainText('<script>document.title=2</script>')
  await expect(page).toHaveTitle(/Umbrette/)
})

test('an old job file with a ghost in it changes nothing', async ({ request }) => {
  const answer = await request.post('/api/jobs/import', { data: jobOf([read.groove('ghost', 1)]) })
  expect(answer.status()).toBe(422)
  expect(((await answer.json()) as { error: { faults: unknown[] } }).error.faults).toEqual([
    { place: 'readings[0].rail', message: '"ghost" is no rail of this drive' }
  ])
})

for (const [of, kB] of [
  ['', 200],
  ['/verdict', 220],
  ['/explain', 220],
  ['/paths', 220],
  ['/report', 220]
] as const) {
  test(`a job's page ${of || 'itself'} sends less than ${kB} kB of gzipped script`, async ({ page, request }) => {
    const id = await newJob(request)
    const measured: Promise<number>[] = []
    page.on('response', (response) => {
      if (!/\.js(\?|$)/.test(response.url())) return
      measured.push(response.body().then((body) => gzipSync(body).length))
    })
    await page.goto(`/jobs/${id}${of}`, { waitUntil: 'networkidle' })
    const bytes = (await Promise.all(measured)).reduce((sum, size) => sum + size, 0)
    expect(bytes).toBeGreaterThan(20_000)
    expect(bytes).toBeLessThan(1000 * kB)
  })
}

test('what a page shows only at times is there without the server, once the page was touched', async ({
  page,
  context,
  request
}) => {
  const id = await newJob(request)
  const scripts: string[] = []
  page.on('response', (response) => {
    if (/\.js(\?|$)/.test(response.url())) void response.text().then((text) => scripts.push(text))
  })
  const here = (mark: string) => scripts.some((text) => text.includes(mark))
  await page.goto(`/jobs/${id}?station=5`)
  await page.getByTestId('side-findings').click()
  // The pane of photos and the sheet of keys.
  await expect.poll(() => here('photos-waiting') && here('grid-cols-[110px_1fr]'), { timeout: 20_000 }).toBe(true)
  await context.setOffline(true)
  await page.getByTestId('side-photos').click()
  await expect(page.getByText('No photo of it yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Keys' }).click()
  await expect(page.getByText('the reading worth taking next')).toBeVisible()
})
