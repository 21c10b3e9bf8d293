import type { PlayerName } from '../song'
import { hum, lowStrings, squeezebox, whistle } from './breath'
import { brushes } from './brushes'
import * as families from './families'
import type { Instrument } from './note'
import { harp, uprightBass } from './plucked'
import { tide } from './tide'

/** Every player by the name that is kept with a part. */
export const INSTRUMENTS: Readonly<Record<PlayerName, Instrument>> = {
  squeezebox,
  whistle,
  hum,
  lowStrings,
  harp,
  uprightBass,
  brushes,
  tide,
  ...families,
}

/** Under which name a player is kept; undefined for one that is not of the project. */
export const playerNameOf = (instrument: Instrument): PlayerName | undefined =>
  (Object.keys(INSTRUMENTS) as PlayerName[]).find((name) => INSTRUMENTS[name] === instrument)
