import { getRouterParam, setResponseHeader } from 'h3'
import { exportJob } from '../../../../core/job/exchange'
import { fileName } from '../../../pdf/sendReport'
import { findJob } from '../../../store/jobs'
import { photosOf } from '../../../store/photos'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const id = getRouterParam(event, 'id')!
  const { job, acts } = await findJob(id)
  setResponseHeader(event, 'Content-Type', 'application/json')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(job.vehicle)}.umbrette-job.json"`)
  const photos = (await photosOf(id)).map(({ id: photo, jpeg }) => ({ id: photo, jpeg: jpeg.toString('base64') }))
  return JSON.stringify({ ...exportJob(job, acts.map(({ act }) => act)), ...(photos.length > 0 ? { photos } : {}) }, null, 1)
})
