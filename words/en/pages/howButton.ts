import { texts } from '../../spoken'

/** Opens how something is read. */
export const HOW_BUTTON = texts({ open: 'How', close: 'Close how' })
