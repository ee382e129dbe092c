/** What is kept among the settings, by key. */
export const LOGO_KEY = 'logo'
export const COLUMNS_KEY = 'intake-columns'
export const LEARNT_ID = 'learnt-id'
export const LEARNT_FROM = 'learnt-from:'
export const PRICING_KEY = 'pricing'
export const SUSPECTS_KEY = 'suspects'
export const MAIL_KEY = 'mail'
export const WORKSHOP_KEY = 'workshop'
/** What the workshop's own jobs have taught of a type of engine, by its sheet's id. */
export const OWN_PRIORS = 'own-priors:'
