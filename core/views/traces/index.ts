export { type TracedCam, type TracedLag, tracedCamsOf, traceKeptWith } from './traced'
