import { messagesOf, type Message } from './message'

/** One thing wrong with a file, and where: `chains[0].path[2]`. */
export type Fault = Message & { readonly place: string }

/** Makes faults of one list of codes. */
export function faultsOf<List>() {
  const say = messagesOf<List>()
  return <C extends keyof List & string>(place: string, ...said: Parameters<typeof say<C>>): Fault => ({
    place,
    ...say<C>(...said)
  })
}
