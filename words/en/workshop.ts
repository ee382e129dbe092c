/** The name of the workshop, on its pages and papers. */
export const WORKSHOP = 'Saltmarsh Works'
