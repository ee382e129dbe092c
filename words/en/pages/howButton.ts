/** Opens how something is read. */
export const HOW_BUTTON = { open: 'How', close: 'Close how' }
