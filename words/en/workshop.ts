/** The name that stood on every report before workshops had names of their own. */
export const WORKSHOP = 'Saltmarsh Works'
