export { formats } from './formats'
