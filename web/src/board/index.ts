export { Board } from './Board'
export { TapeStrip } from './TapeStrip'
