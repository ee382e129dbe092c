export { readScan, scanColumns, type ScanLog, type ScanSays, WARM_IDLE } from './readScan'
