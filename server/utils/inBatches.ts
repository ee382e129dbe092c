/** What waits under a key, with who waits for it. */
interface Waiting<I, R> {
  item: I
  done: (result: R | Promise<R>) => void
  failed: (reason: unknown) => void
}

/**
 * Work that many ask for at once, done for all of them together: under each key one batch is worked on at a time, and
 * who asks meanwhile is in the next one. So it is begun after they asked: nobody is answered with what was before.
 * @param work gives a result for each item, in their order; one that fails by itself hurts no other
 * @param most items of a batch
 */
export function inBatches<I, R>(
  work: (key: string, items: readonly I[]) => Promise<readonly (R | Promise<R>)[]>,
  most = 100
): (key: string, item: I) => Promise<R> {
  const queues = new Map<string, Waiting<I, R>[]>()

  async function workOff(key: string, queue: Waiting<I, R>[]): Promise<void> {
    while (queue.length > 0) {
      const batch = queue.splice(0, most)
      try {
        const results = await work(
          key,
          batch.map(({ item }) => item)
        )
        batch.forEach(({ done }, i) => done(results[i]!))
      } catch (error) {
        for (const { failed } of batch) failed(error)
      }
    }
    queues.delete(key)
  }

  return (key, item) =>
    new Promise((done, failed) => {
      const waiting = { item, done, failed }
      const queue = queues.get(key)
      if (queue) return void queue.push(waiting)
      const first = [waiting]
      queues.set(key, first)
      void workOff(key, first)
    })
}

/** An answer that many ask for at once, worked out once for those who wait, by what is asked. */
export function shared<A, R>(work: (asked: A) => Promise<R>): (asked: A) => Promise<R> {
  const ask = inBatches<null, R>(async (key, items) => {
    const result = await work(JSON.parse(key) as A)
    return items.map(() => result)
  }, Infinity)
  return (asked) => ask(JSON.stringify(asked), null)
}

/** As `shared`, as the JSON that is sent. */
export const sharedText = <A>(work: (asked: A) => Promise<unknown>): ((asked: A) => Promise<string>) =>
  shared(async (asked: A) => JSON.stringify(await work(asked)))
