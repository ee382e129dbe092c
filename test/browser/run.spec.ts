import { killForeground } from '../faults/foreground'
import { expect, test } from './bench'
import { ownWorkshop } from './ownWorkshop'

/** `./umbrette run` as a service has it. */
test('run starts again what was ended hard, itself too, loses nothing, and ends with its children', async () => {
  test.setTimeout(150_000)
  const own = await ownWorkshop('test-run', 4770)
  try {
    await own.stop()
    const outcome = await killForeground(own, 4, 4880)
    expect(outcome).toEqual({
      kills: { run: 2, server: 2 },
      acknowledged: 4,
      missing: [],
      leftBehind: 0,
      ended: true
    })
  } finally {
    await own.drop()
  }
})
