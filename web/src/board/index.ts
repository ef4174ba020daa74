export { Board, type Ghost } from './Board'
export { SeatViewFace } from './SeatViewFace'
export { TapeStrip } from './TapeStrip'
export { useSize } from './useSize'
