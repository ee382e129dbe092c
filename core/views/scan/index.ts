export { readScan, scanColumns, type ScanLog, WARM_IDLE } from './readScan'
