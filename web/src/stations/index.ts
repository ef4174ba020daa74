export { FloorFace, SeatFace } from './light/LightFaces'
export { StationPanel } from './StationPanel'
export { Strip } from './Strip'
export { useSizeTable } from './size/SizeStrip'
