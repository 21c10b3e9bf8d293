/** Strips of a surface: so many faders and knobs. */
export const STRIPS = 8

/** Where the place of a fader or knob comes from, and goes to where it has a motor. */
export type Source =
  | { readonly kind: 'control'; readonly channel: number; readonly controller: number }
  /** Two controllers: this one for the coarse half, 32 further for the fine one, as MIDI 1.0 has it. */
  | { readonly kind: 'fine control'; readonly channel: number; readonly controller: number }
  | { readonly kind: 'bend'; readonly channel: number }

/** A touch sense: a note that is on while a finger is there. */
export interface TouchNote {
  readonly channel: number
  readonly note: number
}

/** What a surface sends. */
export interface SurfaceMap {
  readonly name: string
  /** By strip; null for what was not taught yet. */
  readonly faders: readonly (Source | null)[]
  readonly knobs: readonly (Source | null)[]
  /** By fader; null where it feels nothing. */
  readonly touches: readonly (TouchNote | null)[]
  /** Whether its faders go by themselves to where they are sent. */
  readonly motors: boolean
  /** Notes that go to the strips before and after. */
  readonly back: TouchNote | null
  readonly forth: TouchNote | null
}

const strips = <const T>(make: (i: number) => T): T[] => Array.from({ length: STRIPS }, (_, i) => make(i))

/** A surface of which nothing is known yet: it is taught control by control. */
export function untaught(name: string): SurfaceMap {
  const none = strips(() => null)
  return { name, faders: none, knobs: none, touches: none, motors: false, back: null, forth: null }
}

/** The practice rig: faders of 14 bit, each with a touch sense, knobs of 7 bit, banks. */
export const RIG_MAP = {
  name: 'practice rig',
  faders: strips((i) => ({ kind: 'fine control', channel: 0, controller: 16 + i })),
  knobs: strips((i) => ({ kind: 'control', channel: 1, controller: 70 + i })),
  touches: strips((i) => ({ channel: 0, note: 36 + i })),
  motors: true,
  back: { channel: 0, note: 60 },
  forth: { channel: 0, note: 62 },
} as const satisfies SurfaceMap
