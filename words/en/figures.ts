import { minorDigits } from '../../core/money'
import { keeping, localeNow, plural, spokenNow, t, withDecimals } from '../spoken'

/** Figures in words, alike on page, paper and command line. */

/** Odds in words: `86 %`, never a bare 0 or 100. */
export function oddsWords(p: number): string {
  if (p < 0.01) return t`under 1 %`
  return p > 0.99 ? t`over 99 %` : `${Math.round(100 * p)} %`
}

/** `16.5`, without a minus before nothing. */
export function fixDigits(value: number, digits: number): string {
  const text = value.toFixed(digits)
  return withDecimals(Number(text) === 0 ? (0).toFixed(digits) : text)
}

/** `late` or `early`, the sign of a lag in words. */
export function lateOrEarly(lag: number): string {
  return lag < 0 ? t`early` : t`late`
}

/** `3.8° late`. */
export function degreesWords(lag: number): string {
  return `${fixDigits(Math.abs(lag), 1)}° ${lateOrEarly(lag)}`
}

/** `2 teeth early`. */
export function teethOff(teeth: number): string {
  return `${countWords(Math.abs(teeth), t`tooth`, t`teeth`)} ${lateOrEarly(teeth)}`
}

/** `1 tooth`, `2 teeth`. */
export function countWords(count: number, one: string, many: string): string {
  return `${count} ${plural(count, one, many)}`
}

const figuresOf = keeping((locale: string) => new Intl.NumberFormat(locale))

/** Digits in threes, never broken over two lines: by a space, or as the language does it. */
function inThousands(digits: string): string {
  return spokenNow() ? figuresOf(localeNow()).format(BigInt(digits)) : digits.replaceAll(/\B(?=(\d{3})+$)/g, '\u00a0')
}

/** `148 200`. */
export function thousands(value: number): string {
  return inThousands(Math.round(value).toString())
}

/** An amount, rounded to whole ones as nobody haggles over less. */
export function moneyWords(amount: number, currency: string): string {
  return `${thousands(amount)}${currency ? ` ${currency}` : ''}`
}

/** An amount to the coin, `1 240.50 EUR`, of a decimal as it was reckoned. */
export function moneyExactly(amount: string | number, currency: string): string {
  const text = typeof amount === 'number' ? amount.toFixed(minorDigits(currency)) : amount
  const [, sign, whole, rest] = /^(-?)(\d+)(\.\d+)?$/.exec(text) ?? []
  if (whole === undefined) return text
  return `${sign}${inThousands(whole!)}${withDecimals(rest ?? '')}${currency ? ` ${currency}` : ''}`
}

export function upperFirst(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** For within a sentence; where nouns have capital letters, a first word that mostly is one keeps its own. */
export function lowerFirst(words: string): string {
  if (spokenNow()?.capitalNouns) return words
  return words.charAt(0).toLowerCase() + words.slice(1)
}
