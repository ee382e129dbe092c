/** The name that stood on every report before workshops had names of their own. */
export const WORKSHOP = 'Saltmarsh Works'

/** Note of a drive sheet's first revision. */
export const AS_SHIPPED = 'As it ships'
