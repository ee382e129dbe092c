import type { LanguageId } from '../core/record'

/** A word of the field, and what it is called. */
export interface Term {
  /** As the English texts know it. */
  en: RegExp
  /** Stems by which a translation is known to say it. */
  said: Readonly<Record<Exclude<LanguageId, 'en'>, RegExp>>
}

/**
 * The field's own words. A catalogue that says one of them otherwise fails its test: the same thing is called the same
 * on every page and paper.
 */
export const GLOSSARY: Readonly<Record<string, Term>> = {
  elongation: { en: /\belongation\b/i, said: { de: /läng/i, es: /alarga/i, id: /mulur/i } },
  extension: { en: /\bextension\b/i, said: { de: /ausfahrweg/i, es: /extensi/i, id: /julur/i } },
  lag: { en: /\blag\b/i, said: { de: /nacheil/i, es: /retras/i, id: /terlambat/i } },
  jump: { en: /\bjump(ed|s)?\b/i, said: { de: /überspr|überspring|springt|übers?/i, es: /salt/i, id: /lompat/i } },
  tensioner: { en: /\btensioner\b/i, said: { de: /spann/i, es: /tensor/i, id: /penegang/i } },
  phaser: { en: /\bphasers?\b/i, said: { de: /versteller/i, es: /variador/i, id: /pengatur fase/i } },
  chain: { en: /\bchains?\b/i, said: { de: /kette/i, es: /cadena/i, id: /rantai/i } },
  rail: { en: /\brails?\b/i, said: { de: /schiene/i, es: /guía|patín|patines/i, id: /\brel\b|\blengan\b/i } },
  link: { en: /\blinks?\b/i, said: { de: /glied|link/i, es: /eslab|enlace/i, id: /mata rantai|tautan/i } },
  tooth: { en: /\b(tooth|teeth)\b/i, said: { de: /zahn|zähn/i, es: /dient/i, id: /gigi/i } },
  groove: { en: /\bgrooves?\b/i, said: { de: /rille|furch/i, es: /surco/i, id: /alur/i } },
  sprocket: {
    en: /\bsprockets?\b/i,
    said: { de: /kettenr[aä]d|wellenr[aä]d|räder|rad\b/i, es: /piñ[oó]n/i, id: /sproket/i }
  },
  plunger: { en: /\bplunger\b/i, said: { de: /kolben/i, es: /émbolo/i, id: /plunyer/i } },
  reading: { en: /\breadings?\b/i, said: { de: /mess|lesen/i, es: /lectur|leer/i, id: /hasil ukur|baca/i } },
  slack: { en: /\bslack\b/i, said: { de: /lose|leer/i, es: /holgura|floj/i, id: /kendur/i } },
  crank: { en: /\bcrank\b/, said: { de: /kurbel/i, es: /cigüeñal/i, id: /engkol/i } },
  'stop-gap': { en: /\bstop-gaps?\b/i, said: { de: /notbehelf/i, es: /provisional/i, id: /sementara/i } },
  workshop: { en: /\bworkshops?\b/i, said: { de: /werkst[aä]tt/i, es: /taller/i, id: /bengkel/i } }
}
