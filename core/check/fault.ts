/** One thing wrong with a file, and where: `chains[0].path[2]`. */
export interface Fault {
  place: string
  message: string
}
