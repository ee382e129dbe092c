export { type TracedCam, type TracedLag, tracedCamsOf } from './traced'
