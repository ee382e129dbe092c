import { told } from '../../words/problems'
import { foldActs, sheetOf } from '../../core/record'
import { practiceFront, type PracticePhoto, practicePhoto } from '../../demo/cameraSource'
import { DEMO_JOBS } from '../../demo/workshop'
import { develop } from '../camera/develop'
import { Problem } from '../utils/problem'
import { findJob } from './jobs'
import { findSheet } from './sheets'

/** How the practice camera takes its pictures. */
const CAMERA = { blur: 0.8, noise: 5, quality: 88 }

/**
 * The practice camera held over a part of a job's engine, or before its open front (no part): a demo engine shows its
 * own truth, any other a sound drive.
 * @throws Problem not-found for a job, or a part that it has no picture of
 */
export async function takePracticePhoto(jobId: string, part?: string): Promise<Buffer> {
  const { id, job, acts } = await findJob(jobId)
  const sheet = sheetOf(
    job.sheet,
    foldActs(
      acts.map(({ act }) => act),
      job.school
    )
  )
  const demo = DEMO_JOBS.findIndex((one) => one.id === id)
  const truth = DEMO_JOBS[demo]?.truth ?? {}
  const photo = part === undefined ? practiceFront(sheet, truth, demo + 1) : practicePhoto(sheet, truth, part, demo + 1)
  return developed(photo, demo + 1)
}

/**
 * The open front of an engine as its sheet draws it, as new.
 * @throws Problem not-found for a sheet, or one without coordinates
 */
export async function takeFrontPhoto(sheetId: string): Promise<Buffer> {
  const { sheet } = await findSheet(sheetId)
  return developed(practiceFront(sheet, {}, 1), 1)
}

function developed(photo: PracticePhoto | null, seed: number): Promise<Buffer> {
  if (!photo) throw new Problem('not-found', told('camera-sees-nothing'))
  return develop(photo.svg, { ...CAMERA, seed })
}
