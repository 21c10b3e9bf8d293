import { both, later, metal, rattle, skin, type Stroke } from './hits'

/** A kick drum: the beater on the skin, and a body that falls to 50 Hz. */
const kick = (to: number) =>
  both(
    skin({ from: to * 3.4, to, falls: 0.03, rings: 0.42, amplitude: 1 }),
    rattle({ hz: 2600, wide: 1.2, rings: 0.02, amplitude: 0.35 }),
  )

/** A snare drum: two modes of the skin, and the wires below it. */
const snare = (hz: number, wires: number) =>
  both(
    skin({ from: hz * 1.5, to: hz, falls: 0.012, rings: 0.22, amplitude: 0.65 }),
    skin({ from: hz * 2.4, to: hz * 1.8, falls: 0.01, rings: 0.14, amplitude: 0.3 }),
    rattle({ hz: 4200, wide: 1.1, rings: wires, amplitude: 0.6 }),
    rattle({ hz: 1400, wide: 0.9, rings: wires * 0.6, amplitude: 0.3 }),
  )

const tom = (hz: number) =>
  both(
    skin({ from: hz * 1.7, to: hz, falls: 0.05, rings: 0.5, amplitude: 0.8 }),
    skin({ from: hz * 2.4, to: hz * 1.59, falls: 0.03, rings: 0.22, amplitude: 0.25 }),
    rattle({ hz: 1800, wide: 1.2, rings: 0.05, amplitude: 0.3 }),
  )

/** Drums under the hand: a skin without a rattle, open or slapped. */
const handDrum = (hz: number, rings: number, slap = 0.15) =>
  both(
    skin({ from: hz * 1.25, to: hz, falls: 0.01, rings, amplitude: 0.7 }),
    rattle({ hz: 2200, wide: 1.3, rings: 0.03, amplitude: slap }),
  )

const hat = (rings: number) =>
  both(
    metal({ hz: 420, above: 7000, rings, amplitude: 0.5 }),
    rattle({ hz: 9500, wide: 0.8, rings: rings * 0.8, amplitude: 0.16 }),
  )

const cymbal = (hz: number, rings: number) =>
  both(
    metal({ hz, above: 3500, rings, amplitude: 0.42 }),
    rattle({ hz: 6500, wide: 1.2, rings, amplitude: 0.22, attack: 0.006 }),
  )

const ride = (hz: number, bell: number) =>
  both(
    metal({ hz, above: 5000, rings: 1.4, amplitude: 0.3 }),
    skin({ from: hz * 2.9, to: hz * 2.9, falls: 1, rings: 0.7, amplitude: bell }),
  )

const wood = (hz: number, rings: number) =>
  both(
    skin({ from: hz, to: hz, falls: 1, rings, amplitude: 0.5 }),
    skin({ from: hz * 2.42, to: hz * 2.42, falls: 1, rings: rings * 0.6, amplitude: 0.25 }),
  )

const cup = (hz: number, rings: number) =>
  both(
    skin({ from: hz, to: hz, falls: 1, rings, amplitude: 0.3 }),
    skin({ from: hz * 1.48, to: hz * 1.48, falls: 1, rings, amplitude: 0.25 }),
    skin({ from: hz * 2.76, to: hz * 2.76, falls: 1, rings: rings * 0.5, amplitude: 0.14 }),
  )

const beads = (rings: number, attack: number) =>
  rattle({ hz: 7500, wide: 0.9, rings, amplitude: 0.3, attack })

const clap = rattle({ hz: 1300, wide: 0.5, rings: 0.03, amplitude: 0.5 })
const claps = both(
  clap,
  later(0.011, 0.9, clap),
  later(0.022, 0.8, clap),
  later(0.033, 1, rattle({ hz: 1300, wide: 0.6, rings: 0.18, amplitude: 0.5 })),
)
const scraped = (count: number, every: number): Stroke =>
  both(
    ...Array.from({ length: count }, (_, i) =>
      later(i * every, 0.6 + (0.4 * i) / count, rattle({ hz: 3200, wide: 0.6, rings: 0.02, amplitude: 0.3 })),
    ),
  )

/** What each key of a General MIDI drum part strikes (General MIDI 1, percussion key map; 27 to 34 of level 2). */
export const STROKES: Readonly<Record<number, Stroke>> = {
  27: rattle({ hz: 1800, wide: 0.4, rings: 0.12, amplitude: 0.4 }),
  28: clap,
  31: wood(1400, 0.05),
  32: wood(1900, 0.04),
  33: wood(1700, 0.03),
  34: cup(1500, 0.3),
  35: kick(46),
  36: kick(52),
  37: both(wood(1650, 0.06), rattle({ hz: 3000, wide: 0.8, rings: 0.03, amplitude: 0.3 })),
  38: snare(185, 0.2),
  39: claps,
  40: snare(215, 0.16),
  41: tom(82),
  42: hat(0.09),
  43: tom(98),
  44: hat(0.06),
  45: tom(116),
  46: hat(0.7),
  47: tom(138),
  48: tom(165),
  49: cymbal(330, 2.2),
  50: tom(196),
  51: ride(420, 0.08),
  52: cymbal(260, 1.5),
  53: ride(480, 0.3),
  54: both(metal({ hz: 900, above: 6000, rings: 0.25, amplitude: 0.3 }), beads(0.16, 0.008)),
  55: cymbal(480, 0.9),
  56: cup(560, 0.3),
  57: cymbal(370, 2),
  58: scraped(7, 0.03),
  59: ride(450, 0.06),
  60: handDrum(400, 0.16),
  61: handDrum(270, 0.22),
  62: handDrum(330, 0.08, 0.4),
  63: handDrum(330, 0.26),
  64: handDrum(220, 0.32),
  65: both(handDrum(430, 0.3), cup(1100, 0.1)),
  66: both(handDrum(310, 0.34), cup(800, 0.1)),
  67: cup(1150, 0.4),
  68: cup(820, 0.45),
  69: beads(0.1, 0.012),
  70: beads(0.06, 0.006),
  71: skin({ from: 2350, to: 2350, falls: 1, rings: 0.25, amplitude: 0.25 }),
  72: skin({ from: 2200, to: 2200, falls: 1, rings: 0.6, amplitude: 0.25 }),
  73: scraped(4, 0.022),
  74: scraped(12, 0.026),
  75: wood(2500, 0.06),
  76: wood(1050, 0.09),
  77: wood(760, 0.1),
  78: skin({ from: 420, to: 620, falls: 0.05, rings: 0.16, amplitude: 0.4 }),
  79: skin({ from: 520, to: 330, falls: 0.08, rings: 0.3, amplitude: 0.4 }),
  80: cup(3100, 0.12),
  81: cup(3100, 1.6),
  82: beads(0.1, 0.014),
  83: both(metal({ hz: 1500, above: 6500, rings: 0.4, amplitude: 0.25 }), beads(0.2, 0.02)),
  84: cup(4200, 1.2),
  85: wood(1900, 0.05),
  86: kick(70),
  87: kick(58),
}

/** What shares a foot: a closed or trodden hi-hat shuts the open one; a muted triangle or surdo its open one. */
export const CHOKES: Readonly<Record<number, readonly number[]>> = { 46: [42, 44], 81: [80], 87: [86] }
