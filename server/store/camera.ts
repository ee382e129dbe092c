import { told } from '../../words/problems'
import { foldActs, sheetOf } from '../../core/record'
import { practicePhoto } from '../../demo/cameraSource'
import { DEMO_JOBS } from '../../demo/workshop'
import { develop } from '../camera/develop'
import { Problem } from '../utils/problem'
import { findJob } from './jobs'

/** How the practice camera takes its pictures. */
const CAMERA = { blur: 0.8, noise: 5, quality: 88 }

/**
 * The practice camera held over a part of a job's engine: a demo engine shows its own truth, any other a sound drive.
 * @throws Problem not-found for a job, or a part that it has no picture of
 */
export async function takePracticePhoto(jobId: string, part: string): Promise<Buffer> {
  const { id, job, acts } = await findJob(jobId)
  const sheet = sheetOf(
    job.sheet,
    foldActs(
      acts.map(({ act }) => act),
      job.school
    )
  )
  const demo = DEMO_JOBS.findIndex((one) => one.id === id)
  const svg = practicePhoto(sheet, DEMO_JOBS[demo]?.truth ?? {}, part, demo + 1)
  if (!svg) throw new Problem('not-found', told('camera-sees-nothing'))
  return develop(svg, { ...CAMERA, seed: demo + 1 })
}
