import type { Shown } from '../../say'
import { t, texts } from '../../spoken'

export const SUSPECT_TABLE = texts({
  title: 'Table of suspects · Umbrette',
  heading: 'How suspects are weighed',
  says: 'A table of judgement, not of measurement: how often each is behind a complaint, and how many times likelier an answer makes it. Above 1 speaks for it, below 1 against. What your workshop knows better takes the place of what ships; the jobs show it from then on.',
  suspects: 'Suspects',
  lookAt: (look: Shown) => t`Look at ${look}.`,
  share: (shipped: Shown) => t`Share of complaints, % (ships: ${shipped})`,
  answers: 'What each answer says of it',
  answer: 'Answer',
  ships: 'Ships as',
  ours: 'Ours',
  oursOf: (finding: Shown) => t`Ours: ${finding}`,
  another: 'Another answer that speaks for it',
  choose: 'choose',
  asItShips: 'Everything as it ships',
  saved: 'Saved.',
  writeAFactor: 'Write a factor from 0.01 to 100, or nothing for what ships.',
  writeAShare: 'Write a share from 0 to 100 %, or nothing for what ships.',
  cylinders: 'Cylinders together',
  outcomes: {
    low: 'past its limit',
    right: 'within its limit',
    'all-low': 'all low',
    'one-low': 'one low',
    'neighbours-low': 'two side by side low',
    'some-low': 'some low',
    even: 'alike'
  } as Readonly<Record<string, string>>,
  kinds: {
    chain: 'of a chain',
    guide: 'of a guide',
    arm: 'of an arm',
    bridge: 'of a bridge',
    tensioner: 'of a tensioner',
    phaser: 'of a phaser',
    sprocket: 'of a sprocket',
    camshaft: 'of a camshaft',
    cover: 'of a cover',
    trigger: 'of a trigger wheel',
    auxiliary: 'of an auxiliary drive'
  } as Readonly<Record<string, string>>,
  when: (on: string | null, from: number | null, upTo: number | null, fades: boolean) =>
    [
      on ?? '',
      from === null ? '' : t`from ${from} on`,
      upTo === null ? '' : t`up to ${upTo}`,
      fades ? t`right after the work, fading with usage` : ''
    ]
      .filter(Boolean)
      .join(', ')
})
