/** Where values lie on a line. D3's scales bring colours, dates and formats along, which weigh more than the bench. */
export function placeOn(
  [first, last]: readonly [number, number],
  [from, to]: readonly [number, number]
): (value: number) => number {
  return (value) => from + ((to - from) * (value - first)) / (last - first)
}
