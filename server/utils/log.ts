import pino from 'pino'

/** Structured log, a JSON object a line on standard output. */
export const log = pino({ level: process.env.UMBRETTE_LOG ?? 'info', base: { app: 'umbrette' } })
