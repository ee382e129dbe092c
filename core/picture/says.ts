import { faultsOf, messagesOf } from '../check'

/** What is wrong with a file of measurements, or with a picture, by code. */
export interface PictureSays {
  'a-file': {}
  'a-known': {}
  'a-measure': {}
  'a-line': {}
  'four-corners': {}
  'two-ends': {}
  'points-at-least': { least: number }
  'one-of-kinds': { kinds: readonly string[] }
  'size-positive': {}
  /** Nothing that is known gives a scale. */
  'no-scale': {}
  /** What is known lies on one line, or in one point. */
  'flat-nowhere': {}
  /** The card's corners disagree by more than they can be misread. */
  'card-disagrees': { pixels: number }
  /** A layout is told from its first sprocket on. */
  'a-sprocket': {}
  'same-point': {}
  'line-too-short': {}
  'no-chain-along': {}
  'no-card': {}
  'half-a-card': {}
  'two-cards': {}
  'card-not-flat': {}
  'behind-camera': {}
}

export const say = messagesOf<PictureSays>()
export const faultAt = faultsOf<PictureSays>()
