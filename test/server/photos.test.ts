import { describe, expect, it } from 'vitest'
import sharp from 'sharp'
import { DEMO_JOBS } from '../../demo/workshop'
import { upright } from '../../server/photos/upright'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

/** Left half black, right half white, as a camera held on its side would store it. */
const picture = (orientation: number, width = 600, height = 400) =>
  sharp({ create: { width, height, channels: 3, background: 'white' } })
    .composite([{ input: { create: { width: width / 2, height, channels: 3, background: 'black' } }, left: 0, top: 0 }])
    .withExif({ IFD0: { Copyright: 'someone' } })
    .withMetadata({ orientation })
    .jpeg()
    .toBuffer()

const brightness = async (bytes: Buffer, left: number, top: number) =>
  (await sharp(await sharp(bytes).extract({ left, top, width: 4, height: 4 }).toBuffer()).stats()).channels[0]!.mean

describe('a photo', () => {
  it('is turned upright, kept without what the camera wrote into it, with a thumbnail', async () => {
    const { body, thumb, width, height } = await upright(await picture(6))
    expect([width, height]).toEqual([400, 600])
    expect(await brightness(body, 200, 20)).toBeLessThan(20)
    expect(await brightness(body, 200, 560)).toBeGreaterThan(230)
    const { exif, orientation } = await sharp(body).metadata()
    expect([exif, orientation]).toEqual([undefined, undefined])
    expect(Math.max((await sharp(thumb).metadata()).height!, 0)).toBe(360)
  })

  it('from a phone is brought to a size to look at', async () => {
    const { width, height } = await upright(await picture(1, 6000, 4000))
    expect([width, height]).toEqual([2400, 1600])
  })

  it.each([
    ['text', Buffer.from('not a picture'), /no picture/],
    ['nothing', Buffer.alloc(0), /no picture/],
    ['a cut-off one', null, /broken/],
    ['HEIC', Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic0000heic')]), /HEIC.*JPEG/]
  ] as const)('%s is refused and says what to do', async (_name, bytes, message) => {
    await expect(upright(bytes ?? (await picture(1)).subarray(0, 900))).rejects.toThrow(message)
  })

  it('is kept for its job and comes back as it was', async () => {
    const { id } = await workshop.photos.addPhoto(DEMO_JOBS[0]!.id, await picture(1))
    const body = await workshop.photos.photoBytes(id, 'body')
    expect((await sharp(body).metadata()).format).toBe('jpeg')
    expect((await workshop.photos.photoBytes(id, 'thumb')).length).toBeLessThan(body.length)
    const act = { id: 'photo-1', type: 'photo', by: 'Maren', at: '2026-11-24T08:00:00.000Z', photo: id, part: 'guide' }
    await workshop.acts.addAct(DEMO_JOBS[0]!.id, act)
    await expect(workshop.acts.addAct(DEMO_JOBS[1]!.id, { ...act, id: 'photo-2' })).rejects.toThrow(/was not kept/)
  })

  it('sent twice, because the answer was lost, is kept once', async () => {
    const bytes = await picture(1)
    const id = '5a17a000-0000-4000-8000-00000000ab01'
    const before = (await workshop.photos.photoList(DEMO_JOBS[0]!.id)).length
    expect((await workshop.photos.addPhoto(DEMO_JOBS[0]!.id, bytes, id)).id).toBe(id)
    expect((await workshop.photos.addPhoto(DEMO_JOBS[0]!.id, bytes, id)).id).toBe(id)
    expect((await workshop.photos.photoList(DEMO_JOBS[0]!.id)).length).toBe(before + 1)
    await expect(workshop.photos.addPhoto(DEMO_JOBS[0]!.id, bytes, 'mine')).rejects.toThrow(/UUID/)
    await expect(workshop.photos.addPhoto(DEMO_JOBS[0]!.id, await picture(3), id)).rejects.toMatchObject({
      code: 'conflict'
    })
    await expect(workshop.photos.addPhoto(DEMO_JOBS[1]!.id, bytes, id)).rejects.toMatchObject({ code: 'conflict' })
  })

  it('of no job, and one that is not there, are not found', async () => {
    await expect(workshop.photos.addPhoto('nonsense', await picture(1))).rejects.toMatchObject({ code: 'not-found' })
    await expect(workshop.photos.photoBytes('5a17a000-0000-4000-8000-0000000000ff', 'body')).rejects.toMatchObject({
      code: 'not-found'
    })
  })
})
