import { killAtRandom } from '../faults/kills'
import { expect, test } from './bench'

const KILLS = 16

test('server and database killed at random moments: nothing acknowledged is missing, nothing is doubled', async () => {
  test.setTimeout(400_000)
  const { kills, acknowledged, missing, doubled, altered } = await killAtRandom('.data/test-faults', KILLS, { seed: 7 })
  expect(kills.server + kills.database).toBe(KILLS)
  expect(Math.min(kills.server, kills.database)).toBeGreaterThan(3)
  expect(acknowledged).toBeGreaterThan(KILLS)
  expect({ missing, doubled, altered }).toEqual({ missing: [], doubled: [], altered: [] })
})
