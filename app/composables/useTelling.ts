import { ref } from 'vue'

/** How work that the server tells of ended: with what it took, or why not. */
export type Told<T> = { taken: T } | { refused: string } | { ended: 'called-off' | 'broke-off' }

type Line<T> = { done: number; all: number } | { taken: T } | { error: { message: string } }

/** A file on its way in, of which the server tells a line at a time how far it is; it can be called off. */
export function useTelling<T>() {
  const progress = ref<{ done: number; all: number } | null>(null)
  let ending: AbortController | null = null

  /** @throws what the server refused before it began */
  async function send(path: string, body: File, query: Record<string, string>): Promise<Told<T>> {
    const mine = (ending = new AbortController())
    progress.value = { done: 0, all: 0 }
    try {
      const { signal } = mine
      const answer = await fetch(`${path}?${new URLSearchParams(query).toString()}`, { method: 'POST', body, signal })
      if (!answer.ok || !answer.body)
        throw Object.assign(new Error(path), { statusCode: answer.status, data: await answer.json().catch(() => null) })
      return await followed(answer.body)
    } catch (error) {
      if (mine.signal.aborted) return { ended: 'called-off' }
      throw error
    } finally {
      progress.value = null
    }
  }

  /** Reads lines as they come: how far it is, then what it came to. */
  async function followed(stream: ReadableStream<Uint8Array>): Promise<Told<T>> {
    const reader = stream.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
    let told: Told<T> = { ended: 'broke-off' }
    let text = ''
    for (let piece = await reader.read(); !piece.done; piece = await reader.read()) {
      text += piece.value
      const lines = text.split('\n')
      text = lines.pop() ?? ''
      for (const line of lines) told = hear(JSON.parse(line) as Line<T>) ?? told
    }
    return told
  }

  function hear(line: Line<T>): Told<T> | null {
    if ('taken' in line) return { taken: line.taken }
    if ('error' in line) return { refused: line.error.message }
    progress.value = line
    return null
  }

  const callOff = () => ending?.abort()

  return { progress, send, callOff }
}
