/** Envelopes: points, span forms, evaluation by point and by block, and the pure edits. */
export * from './envelope'
export { bendOfShare, bendShare, bendThrough, curveAt, formAt } from './form'
export { indexAt, travelAt, valueAt } from './evaluate'
export { travelsOf } from './travels'
export { changedSpan, compileLine, LineCursor, type ChangedSpan, type CompiledLine } from './compile'
export { cut } from './cut'
export { addPoint, movePoint, removePoint, setForm, EditRefused, MAX_POINTS } from './edit'
export {
  begun,
  clearSpan,
  copySpan,
  pasteAt,
  replaceSpan,
  scaleSpan,
  shiftSpan,
  type Aftermath,
  type LineSpan,
} from './span-edits'
export {
  hasAmount,
  isRelative,
  leadOf,
  makeCrossing,
  makeMove,
  movePlace,
  raiseOf,
  raiseUnit,
  READY_MOVES,
  suits,
  usualAmount,
  type Crossing,
  type MoveForm,
  type MovePlace,
  type MoveWish,
  type ReadyMove,
} from './ready-moves'
export { isFar, setFromHere, setNear, type Setting } from './set-near'
export { thin, type Sample } from './thin'
export {
  holdSpan,
  releaseSpan,
  mirrorSpan,
  moveRest,
  moveSpan,
  repeatSpan,
  rhythmSpan,
  smoothSpan,
  stretchSpan,
  switchSpan,
  thinSpan,
  tiltSpan,
} from './span-transforms'
export {
  moveTogether,
  pointsWithin,
  removePoints,
  setForms,
  setValues,
  type Chosen,
  type ChosenLine,
} from './several'
export { convertPoints, type Converted } from './convert'
export { stamp } from './stamp'
export { bendSpan } from './bend'
export { cycleEnds, cyclesFor, MAX_CYCLES, MOST_PACE, type Cycles } from './shape-pace'
export { layShape, shapeTravel, SHAPES, type Shape, type ShapeKind } from './shapes'
