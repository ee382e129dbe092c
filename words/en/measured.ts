import type { PictureSays } from '../../core/picture'
import { type Catalogue, sayer } from '../say'
import { t } from '../spoken'
import { fixDigits } from './figures'

/** What stands in the way of measuring on a picture, and what to do about it. */
export const PICTURE: Catalogue<PictureSays> = {
  'a-file': () => t`expected a file of measurements: an object with format, version, size, plane and measure`,
  'a-known': () => t`expected what is known of the picture, as an object`,
  'a-measure': () => t`expected what is to be measured, as an object`,
  'a-line': () => t`expected a line: an object with its points as "line", or a list of points`,
  'four-corners': () => t`expected the four corners of a code`,
  'two-ends': () => t`expected two ends`,
  'points-at-least': (f) => t`expected at least ${f.least} points`,
  'one-of-kinds': (f) => t`expected one of ${f.kinds.join(', ')}`,
  'size-positive': () => t`expected the width and height of the picture, in pixels`,
  'no-scale': () =>
    t`nothing gives the scale: lay a scale card beside it, or tap two points whose distance you know, or the rim of a sprocket`,
  'flat-nowhere': () =>
    t`the points do not determine a plane: they lie on one line, or on one spot. Tap points that lie apart`,
  'card-disagrees': (f) =>
    t`the card's corners disagree by ${fixDigits(f.pixels, 1)} px: it does not lie flat, or a corner is on another place. Lay it flat and take the picture again`,
  'a-sprocket': () => t`a layout is measured from its first sprocket on: tap the rim of one`,
  'same-point': () => t`both ends are the same point`,
  'behind-camera': () => t`so far before the card there is the camera itself: check by how much the card lies behind`,
  'line-too-short': () => t`the line is too short to count links along it: draw it from mark to mark, or come closer`,
  'no-chain-along': () => t`nothing repeats along the line: draw it along the pins of the chain`,
  'no-card': () => t`no scale card is to be seen: lay it beside what is measured, whole, in focus and without glare`,
  'half-a-card': () =>
    t`only one code of the card is to be seen: show at least two of them, better all four, in focus and without glare`,
  'two-cards': () => t`more than one scale card is to be seen: leave one of them`,
  'card-not-flat': () =>
    t`the codes of the card do not agree: it is bent, partly covered, or a copy at another scale. Lay it flat and whole`
}

export const sayPicture = sayer(PICTURE)
