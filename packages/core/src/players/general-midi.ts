import type { PlayerName, Role } from '../song'
import { INSTRUMENTS } from './instruments'
import type { Instrument } from './note'

/** Who plays a part of a MIDI file. */
export interface Player {
  readonly instrument: Instrument
  /** Under which name it is kept. */
  readonly player: PlayerName
  readonly role: Role
  /** What the part is called where the file does not say. */
  readonly name: string
  readonly channels: 1 | 2
}

type Line = readonly [first: number, name: string, role: Role, player: PlayerName]

/** The 128 programs of General MIDI 1: from which one on, what it is called, its role, who plays it here. */
const PROGRAMS: readonly Line[] = [
  [0, 'Piano', 'chords', 'piano'],
  [4, 'Electric piano', 'chords', 'tinePiano'],
  [6, 'Harpsichord', 'chords', 'quills'],
  [7, 'Clavinet', 'chords', 'quills'],
  [8, 'Celesta', 'chords', 'steelBars'],
  [9, 'Glockenspiel', 'lead', 'steelBars'],
  [10, 'Music box', 'chords', 'tongues'],
  [11, 'Vibraphone', 'chords', 'vibes'],
  [12, 'Marimba', 'chords', 'woodenBars'],
  [13, 'Xylophone', 'lead', 'woodenBars'],
  [14, 'Bells', 'effect', 'bells'],
  [15, 'Dulcimer', 'chords', 'quills'],
  [16, 'Organ', 'chords', 'wheelOrgan'],
  [19, 'Church organ', 'chords', 'pipeOrgan'],
  [20, 'Reed organ', 'chords', 'reedOrgan'],
  [21, 'Accordion', 'chords', 'reedOrgan'],
  [22, 'Mouth organ', 'lead', 'reedOrgan'],
  [23, 'Accordion', 'lead', 'reedOrgan'],
  [24, 'Nylon guitar', 'chords', 'nylonGuitar'],
  [25, 'Steel guitar', 'chords', 'steelGuitar'],
  [26, 'Electric guitar', 'chords', 'electricGuitar'],
  [28, 'Muted guitar', 'chords', 'mutedGuitar'],
  [29, 'Driven guitar', 'chords', 'drivenGuitar'],
  [31, 'Guitar harmonics', 'chords', 'electricGuitar'],
  [32, 'Upright bass', 'bass', 'standingBass'],
  [33, 'Bass guitar', 'bass', 'fingerBass'],
  [36, 'Slap bass', 'bass', 'slapBass'],
  [38, 'Synth bass', 'bass', 'synthBass'],
  [40, 'Violin', 'lead', 'fiddle'],
  [41, 'Viola', 'lead', 'fiddle'],
  [42, 'Cello', 'lead', 'fiddle'],
  [43, 'Double bass', 'bass', 'fiddle'],
  [44, 'Trembling strings', 'texture', 'tremolo'],
  [45, 'Plucked strings', 'chords', 'pizzicato'],
  [46, 'Harp', 'chords', 'concertHarp'],
  [47, 'Timpani', 'drums', 'kettles'],
  [48, 'Strings', 'texture', 'section'],
  [50, 'Synth strings', 'texture', 'synthStrings'],
  [52, 'Choir', 'voice', 'choir'],
  [53, 'Voices', 'voice', 'voiceOo'],
  [55, 'Orchestra hit', 'effect', 'brassSection'],
  [56, 'Trumpet', 'lead', 'trumpet'],
  [57, 'Trombone', 'chords', 'trombone'],
  [58, 'Tuba', 'bass', 'tuba'],
  [59, 'Muted trumpet', 'lead', 'horn'],
  [60, 'Horn', 'chords', 'horn'],
  [61, 'Brass', 'chords', 'brassSection'],
  [64, 'Saxophone', 'lead', 'saxophone'],
  [68, 'Oboe', 'lead', 'oboe'],
  [69, 'English horn', 'lead', 'oboe'],
  [70, 'Bassoon', 'chords', 'bassoon'],
  [71, 'Clarinet', 'lead', 'clarinet'],
  [72, 'Piccolo', 'lead', 'flute'],
  [73, 'Flute', 'lead', 'flute'],
  [74, 'Recorder', 'lead', 'recorder'],
  [75, 'Pan flute', 'lead', 'breathyPipe'],
  [76, 'Blown bottle', 'texture', 'breathyPipe'],
  [77, 'Bamboo flute', 'lead', 'breathyPipe'],
  [78, 'Whistle', 'lead', 'recorder'],
  [79, 'Ocarina', 'lead', 'recorder'],
  [80, 'Square lead', 'lead', 'squareLead'],
  [81, 'Saw lead', 'lead', 'sawLead'],
  [82, 'Pipe lead', 'lead', 'breathyPipe'],
  [83, 'Plucked lead', 'lead', 'longNeck'],
  [84, 'Driven lead', 'lead', 'drivenGuitar'],
  [85, 'Voice lead', 'lead', 'voiceOo'],
  [86, 'Saw lead', 'lead', 'sawLead'],
  [88, 'Glass pad', 'texture', 'glassPad'],
  [89, 'Warm pad', 'texture', 'warmPad'],
  [90, 'Saw pad', 'texture', 'synthStrings'],
  [91, 'Choir pad', 'texture', 'choir'],
  [92, 'Bowed pad', 'texture', 'warmPad'],
  [93, 'Metal pad', 'texture', 'glassPad'],
  [94, 'Warm pad', 'texture', 'warmPad'],
  [96, 'Effect', 'effect', 'glassPad'],
  [97, 'Effect', 'effect', 'warmPad'],
  [98, 'Crystal', 'effect', 'steelBars'],
  [99, 'Effect', 'effect', 'glassPad'],
  [101, 'Effect', 'effect', 'warmPad'],
  [104, 'Sitar', 'chords', 'longNeck'],
  [108, 'Kalimba', 'chords', 'tongues'],
  [109, 'Bagpipe', 'lead', 'oboe'],
  [110, 'Fiddle', 'lead', 'fiddle'],
  [111, 'Shawm', 'lead', 'oboe'],
  [112, 'Little bells', 'effect', 'steelBars'],
  [113, 'Agogo', 'drums', 'blocks'],
  [114, 'Steel pan', 'lead', 'steelPan'],
  [115, 'Wood block', 'drums', 'blocks'],
  [116, 'Big drum', 'drums', 'kettles'],
  [117, 'Toms', 'drums', 'toms'],
  [119, 'Sound', 'effect', 'seaAndWind'],
]

const DRUMS: Line = [0, 'Drums', 'drums', 'kit']

/** The instrument for a program of General MIDI, 0…127. */
export function playerFor(program: number, drums: boolean): Player {
  const [, name, role, player] = drums ? DRUMS : PROGRAMS.findLast(([first]) => first <= program)!
  const instrument = INSTRUMENTS[player]
  return { name, role, player, instrument, channels: instrument([], 1).length === 2 ? 2 : 1 }
}
