/** The engine: compiles a mix into a program, plays it live and renders it offline. */
export {
  compileMix,
  compileControl,
  type Program,
  type ControlProgram,
  type TrackProgram,
  type RegionProgram,
} from './program'
export { ProgramReceiver, ProgramSender, type PostedProgram } from './program-post'
export { RegionReader } from './region-reader'
export {
  gainQuantity,
  levelQuantity,
  muteQuantity,
  panQuantity,
  widthQuantity,
  type Quantity,
} from './quantity'
export { Engine, BLOCK, type Solo } from './engine'
export type { Bus } from './bus'
export { beatsOf, beatAt, type Beats } from './beats'
export { Monitor } from './monitor'
export { Player, type Loop } from './player'
export { HandoverLost, makeHandover, type Handover } from './handover'
export { render, renderStems, type Render, type RenderOptions } from './render'
export { inTwo, renderAhead } from './render-in-two'
export { panMono, panStereo, type Sides } from './pan'
export { RAMP } from './control-signal'
export type { AssetAudio, AudioStore } from './audio'
export {
  chopperOpening,
  CHOPPER_PATTERNS,
  delayRepeats,
  effectResponse,
  eqResponse,
  filterResponse,
  reverbDecay,
  type Repeat,
} from '../effects/sound'
