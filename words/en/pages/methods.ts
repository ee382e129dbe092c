import { texts } from '../../spoken'

export const METHOD_WORDS: Readonly<Record<string, string>> = texts({
  calliper: 'Calliper',
  photo: 'Photo',
  eye: 'By eye',
  gauge: 'Depth gauge',
  feeler: 'Feeler',
  thumbnail: 'Thumbnail',
  marks: 'Marks',
  wheel: 'Degree wheel',
  lift: 'Valve lift',
  scan: 'Scan tool',
  trace: 'Trace',
  count: 'Counted',
  rule: 'Rule',
  side: 'Side by side',
  hand: 'By hand',
  dial: 'Dial gauge'
})
