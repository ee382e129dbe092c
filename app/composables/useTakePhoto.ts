import { PHOTO_PANE } from '../../words/en'
import { ref } from 'vue'
import { useBench } from '../stores/bench'
import { useJob } from '../stores/job'
import { usePhotoOutbox } from '../stores/photoOutbox'

const LIMIT_MB = 16

/** Takes pictures of a part of the open job: kept on the device until the server has them. */
export function useTakePhoto(part: () => string) {
  const job = useJob()
  const bench = useBench()
  const outbox = usePhotoOutbox()
  const problem = ref('')

  /**
   * @param said what it shows in words, and the finding that is seen on it
   * @returns was it kept? What stood in the way is then in `problem`.
   */
  async function take(file: File, { note = '', shows = '' } = {}): Promise<boolean> {
    problem.value = file.size > LIMIT_MB * 1024 * 1024 ? PHOTO_PANE.thePictureIsLargerThan(LIMIT_MB) : ''
    if (problem.value) return false
    const act = {
      id: crypto.randomUUID(),
      by: bench.by,
      at: new Date().toISOString(),
      type: 'photo' as const,
      photo: crypto.randomUUID(),
      part: part(),
      ...(note ? { note } : {}),
      ...(shows ? { shows } : {})
    }
    try {
      await outbox.put({ jobId: job.id, act, picture: file })
      return true
    } catch {
      problem.value = PHOTO_PANE.thisBrowserHasNoRoom
      return false
    }
  }

  return { take, problem, limit: LIMIT_MB }
}
