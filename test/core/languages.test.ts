import { afterEach, describe, expect, it } from 'vitest'
import { LANGUAGES, type LanguageId } from '../../core/record'
import de from '../../words/catalogues/de.json'
import es from '../../words/catalogues/es.json'
import id from '../../words/catalogues/id.json'
import { BOARD, fixDigits, moneyExactly, oddsWords, partName, sayLikeliest, teethOff, thousands } from '../../words/en'
import { PART_NAMES } from '../../words/en/partNames'
import { GLOSSARY } from '../../words/glossary'
import { languageName, languageOf } from '../../words/languages'
import { known, midSentence, plural, sayIn, speakAs, t, texts } from '../../words/spoken'
import { filesOfWords, isSaid, readSaid } from '../support/said'
import { sheet } from '../support/sheets'

const CATALOGUES: Readonly<Record<Exclude<LanguageId, 'en'>, Readonly<Record<string, string>>>> = { de, es, id }
const VAN = sheet('ardmere-a18')
const OTHERS = Object.keys(CATALOGUES) as (keyof typeof CATALOGUES)[]
const speaking = (one: keyof typeof CATALOGUES) => languageOf(one, CATALOGUES[one])
const files = filesOfWords()
const said = new Set([...files.flatMap((file) => readSaid(file).texts).filter(isSaid), ...PART_NAMES])

afterEach(() => speakAs(() => null))

describe('catalogues', () => {
  it('hold thousands of texts, and every language a person can choose has one', () => {
    expect(said.size).toBeGreaterThan(3000)
    expect(LANGUAGES).toEqual(['en', ...OTHERS])
    for (const one of LANGUAGES) expect(languageName(one)).toMatch(/\p{L}{4}/u)
  })

  it.each(OTHERS)('%s says everything, and nothing that is no longer said', (one) => {
    const there = Object.keys(CATALOGUES[one])
    expect([...said].filter((text) => !Object.hasOwn(CATALOGUES[one], text))).toEqual([])
    expect(there.filter((text) => !said.has(text))).toEqual([])
  })

  it.each(OTHERS)('%s sets into a sentence what the English one does, and keeps the spaces at its ends', (one) => {
    const holes = (text: string) => [...new Set(text.match(/\{\w+\}/g))].sort().join()
    const ends = (text: string) => [/^\s/.test(text), /\s$/.test(text)].join()
    for (const [english, other] of Object.entries(CATALOGUES[one])) {
      expect([english, holes(other)]).toEqual([english, holes(english)])
      expect([english, ends(other)]).toEqual([english, ends(english)])
    }
  })

  it.each(OTHERS)('%s calls the things of the field by their words', (one) => {
    for (const [term, { en, said: stems }] of Object.entries(GLOSSARY))
      expect([
        term,
        Object.entries(CATALOGUES[one]).filter(([english, other]) => en.test(english) && !stems[one].test(other))
      ]).toEqual([term, []])
  })

  it('leave no words in a function that would stay English', () => {
    for (const file of files) expect([file, readSaid(file).plain]).toEqual([file, []])
  })
})

describe('a language', () => {
  it('is spoken by objects, sentences and lists from then on, and English again after it', () => {
    const list = texts({
      first: 'Save',
      deep: { all: ['Cancel', 'Umbrette'] },
      choose: [{ value: 'Save', label: 'Save' }]
    })
    speakAs(() => speaking('de'))
    expect([list.first, list.deep.all, list.choose]).toEqual([
      'Speichern',
      ['Abbrechen', 'Umbrette'],
      [{ value: 'Save', label: 'Speichern' }]
    ])
    expect(t`Step ${2} of ${8}`).toBe('Schritt 2 von 8')
    expect(sayIn(speaking('es'), () => list.first)).toBe('Guardar')
    expect(sayIn(null, () => list.first)).toBe('Save')
    expect(() => sayIn(speaking('id'), () => JSON.parse('{') as never)).toThrow()
    expect(list.first).toBe('Speichern')
    speakAs(() => null)
    expect(list.first).toBe('Save')
  })

  it('writes figures as its readers do', () => {
    const figures = () => [
      fixDigits(0.5, 2),
      fixDigits(-0.001, 2),
      thousands(148_200),
      moneyExactly('1234567.80', 'EUR')
    ]
    expect(figures()).toEqual(['0.50', '0.00', '148\u00a0200', '1\u00a0234\u00a0567.80 EUR'])
    expect(sayIn(speaking('de'), figures)).toEqual(['0,50', '0,00', '148.200', '1.234.567,80 EUR'])
    expect(sayIn(speaking('es'), figures)).toEqual(['0,50', '0,00', '148.200', '1.234.567,80 EUR'])
    expect(sayIn(speaking('id'), figures)).toEqual(['0,50', '0,00', '148.200', '1.234.567,80 EUR'])
    expect(sayIn(speaking('de'), () => t`New: ${3.5}.`)).toBe('Neu: 3,5.')
    expect(sayIn(speaking('de'), () => oddsWords(0.001))).toBe('unter 1 %')
  })

  it('counts one and many by its own rules', () => {
    const teeth = () => [teethOff(1), teethOff(-2)]
    expect(teeth()).toEqual(['1 tooth late', '2 teeth early'])
    expect(sayIn(speaking('de'), teeth)).toEqual(['1 Zahn spät', '2 Zähne früh'])
    expect(sayIn(speaking('es'), teeth)).toEqual(['1 diente de retraso', '2 dientes de adelanto'])
    expect(sayIn(speaking('id'), teeth)).toEqual(['1 gigi mundur', '2 gigi maju'])
    expect(sayIn(speaking('id'), () => plural(1, 'one', 'many'))).toBe('many')
  })

  it('names the usual parts of a sheet, and leaves a name of the workshop’s own', () => {
    const names = () => [partName(VAN, VAN.chains[0]!.id), partName(VAN, 'oil'), partName(VAN, 'nothing-of-it')]
    expect(names()).toEqual(['Timing chain', 'Oil side', 'nothing-of-it'])
    expect(sayIn(speaking('de'), names)).toEqual(['Steuerkette', 'Ölseite', 'nothing-of-it'])
    const own = { ...VAN, chains: VAN.chains.map((chain) => ({ ...chain, name: 'Open' })) }
    expect(sayIn(speaking('de'), () => partName(own, VAN.chains[0]!.id))).toBe('Open')
  })

  it('keeps capital letters within a sentence where its nouns have them', () => {
    const words = () => midSentence(known('Timing chain'))
    expect([words(), sayIn(speaking('de'), words), sayIn(speaking('es'), words)]).toEqual([
      'timing chain',
      'Steuerkette',
      'cadena de distribución'
    ])
  })

  it('puts a whole judgement in words', () => {
    const story = (odds: number) => ({ causes: [{ as: 'stretched' as const, of: VAN.chains[0]!.id }], odds, more: 0 })
    const say = () => sayLikeliest([story(0.98), { ...story(0.01), causes: [] }], (part) => partName(VAN, part))
    expect(sayIn(speaking('de'), say)).toBe(
      'Von dem, was die Messwerte erklären könnte, ist am wahrscheinlichsten: Steuerkette hat sich weit gelängt (98 %); als Nächstes: Nichts über den üblichen Verschleiß hinaus (1 %).'
    )
    expect(sayIn(speaking('id'), () => BOARD)).toBe(BOARD)
  })
})
