/** The project's own instruments: notes in, sound out, the same samples every time. */
export { RATE, type Instrument, type Note } from './note'
export { randomSource } from './random'
export { squeezebox, whistle, hum, lowStrings } from './breath'
export { harp, uprightBass } from './plucked'
export { brushes, STROKE } from './brushes'
export { tide } from './tide'
export { playerFor, strokeFor, type Player } from './general-midi'
