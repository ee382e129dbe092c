import { onMounted, onUnmounted } from 'vue'
import { useJob } from '../stores/job'
import type { Delivered } from '../stores/outbox'

/** Shows what others do on the same job within a second or two. The browser reconnects by itself and asks for what it missed. */
export function useLiveActs(): void {
  const job = useJob()
  let source: EventSource | null = null
  onMounted(() => {
    if (typeof EventSource === 'undefined' || !job.id) return
    const { id } = job
    source = new EventSource(`/api/jobs/${id}/live?after=${job.lastSeq()}`)
    source.onmessage = ({ data }) => job.confirm(id, JSON.parse(String(data)) as Delivered)
  })
  onUnmounted(() => source?.close())
}
