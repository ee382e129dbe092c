import { useIntervalFn } from '@vueuse/core'
import { onUnmounted, ref } from 'vue'

/** Records with the device's microphone, where the page is secure and it is allowed. */
export function useMicrophone(done: (file: File) => unknown) {
  const recording = ref(false)
  const refused = ref(false)
  const length = ref(0)
  let recorder: MediaRecorder | null = null
  const clock = useIntervalFn(() => length.value++, 1000, { immediate: false })

  async function start(): Promise<void> {
    refused.value = false
    try {
      // What makes speech clear takes the clatter away.
      const stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false }
      })
      const pieces: Blob[] = []
      recorder = new MediaRecorder(stream)
      recorder.ondataavailable = ({ data }) => pieces.push(data)
      recorder.onstop = () => {
        stream.getTracks().forEach((track) => track.stop())
        done(new File(pieces, 'recording.webm', { type: pieces[0]?.type ?? 'audio/webm' }))
      }
      recorder.start()
    } catch {
      refused.value = true
      return
    }
    length.value = 0
    recording.value = true
    clock.resume()
  }
  function stop(): void {
    recorder?.stop()
    recorder = null
    recording.value = false
    clock.pause()
  }
  onUnmounted(() => recorder?.stop())
  return { recording, refused, length, start, stop }
}
