/** A file of its own, so that it is loaded by itself. */
export { nearJumps } from '../core/estimate'
