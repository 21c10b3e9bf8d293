import { laneControlName, laneName } from '@rudlo/core/assess'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'

/** A lane as it is chosen from a list: "Squeezebox: volume". */
export function laneText(song: SongVersion, mix: Mix, lane: string): string {
  return `${laneName(song, mix, lane).split(',')[0]}: ${laneControlName(mix, lane)}`
}
