/** Worker thread that plays one part of a song of the demo. */
import { faster, playPart, SONGS } from '@rudlo/demo'
import { answering } from '../jobs/answering'

/** Which part of which song. */
export interface PartTask {
  readonly song: string
  readonly part: string
  /** How many times as fast it is played. */
  readonly pace: number
}

export default answering<PartTask, readonly Int16Array[]>(({ song, part: id, pace }) => {
  const score = SONGS.find((s) => s.title === song)
  const part = score?.parts.find((p) => p.id === id)
  if (!score || !part) throw new Error(`There is no part "${id}" of "${song}".`)
  return playPart(faster(score, pace), part).channels
})
