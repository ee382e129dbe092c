/** The values used last, by key; the one not used for longest is forgotten first. */
export function remembering<T>(most: number): { get(key: string): T | undefined; set(key: string, value: T): void; forget(key: string): void } {
  const values = new Map<string, T>()
  return {
    get(key) {
      const value = values.get(key)
      if (value !== undefined) {
        values.delete(key)
        values.set(key, value)
      }
      return value
    },
    set(key, value) {
      values.delete(key)
      values.set(key, value)
      const [oldest] = values.keys()
      if (values.size > most) values.delete(oldest!)
    },
    forget(key) {
      values.delete(key)
    }
  }
}
