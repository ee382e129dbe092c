import { told } from '../../words/problems'
import { foldActs, sheetOf } from '../../core/record'
import { inspectionsOf, photographedOf, sightOf, type LookedAt } from '../../core/views/practice'
import { figurePhoto, practiceFront, type PracticePhoto, practicePhoto } from '../../demo/cameraSource'
import { DEMO_JOBS } from '../../demo/workshop'
import { develop } from '../camera/develop'
import { Problem } from '../utils/problem'
import { findJob } from './jobs'
import { practiceCase } from './practice'
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

/**
 * What an inspection of a practice case shows, as a photo to be measured on.
 * @throws Problem not-found for a case, or an inspection that has no figure to be measured so
 */
export async function takeSightPhoto(key: string, id: string, looked: LookedAt): Promise<Buffer> {
  const engine = await practiceCase(key)
  const inspection = inspectionsOf(engine.drive).find((one) => one.id === id)
  const of = inspection && photographedOf(inspection)
  const [figure] = inspection && of ? sightOf(engine, inspection, looked).figures : []
  const seed = engine.seed + looked.attempt
  return developed(
    inspection && of && figure !== undefined ? figurePhoto(of, figure, engine.drive, inspection.part, seed) : null,
    seed
  )
}

function developed(photo: PracticePhoto | null, seed: number): Promise<Buffer> {
  if (!photo) throw new Problem('not-found', told('camera-sees-nothing'))
  return develop(photo.svg, { ...CAMERA, seed })
}
