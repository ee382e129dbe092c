export { type TracedCam, type TracedLag, tracedCamsOf, traceKeptWith, waverReadAt } from './traced'
