/** Instruments for the programs of General MIDI, by family. */
export { piano, quills, tinePiano } from './keys'
export { bells, blocks, kettles, steelBars, steelPan, toms, tongues, vibes, woodenBars } from './mallets'
export { pipeOrgan, reedOrgan, wheelOrgan } from './organs'
export {
  concertHarp,
  drivenGuitar,
  electricGuitar,
  longNeck,
  mutedGuitar,
  nylonGuitar,
  pizzicato,
  steelGuitar,
} from './guitars'
export { fingerBass, slapBass, standingBass, synthBass } from './basses'
export { fiddle, section, synthStrings, tremolo } from './bowed'
export { choir, voiceOo } from './voices'
export { brassSection, horn, trombone, trumpet, tuba } from './brass'
export { bassoon, clarinet, oboe, saxophone } from './reeds'
export { breathyPipe, flute, recorder } from './pipes'
export { glassPad, sawLead, squareLead, warmPad } from './synths'
export { seaAndWind } from './sounds'
export { kit } from './kit/kit'
