/** What happens to a part, from the least to the most severe: the severest reason makes a part's call. */
export const CALLS = ['back-in', 'look-closer', 'renew', 'stop'] as const
