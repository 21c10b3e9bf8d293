import type { Mix } from '../mix'
import type { SongVersion } from '../song'

/** Everything that what is heard of a track depends on. */
export const trackKey = (song: SongVersion, mix: Mix, id: string) =>
  `${songKeyOf(song)}track ${partKey(mix, id)}`
/** The same of a mix as one. */
export const wholeKey = (song: SongVersion, mix: Mix) =>
  `${songKeyOf(song)}whole ${JSON.stringify(sounding(mix))}`
/** The same of a mix with its lines off. */
export const stillKey = (song: SongVersion, mix: Mix) =>
  `${songKeyOf(song)}still ${JSON.stringify({ ...mix, envelopes: [], motifs: [], placements: [] })}`

const songKeyOf = (song: SongVersion) => JSON.stringify([song.tempo, song.length, song.assets])

/** Everything that a track's own sound depends on. */
function partKey(mix: Mix, id: string): string {
  const track = mix.tracks.find((t) => t.id === id)!
  const returns = track.sends.length ? mix.returns : []
  const ids = [
    id,
    ...[track, ...returns].flatMap((o) => [...o.sends, ...o.effects].map((x) => x.id)),
    ...returns.map((r) => r.id),
  ]
  const concerned = new Set(ids)
  const lines = mix.envelopes
    .filter(
      (e) =>
        e.on && e.points.length && (e.address.startsWith('main/') || concerned.has(e.address.split('/')[1]!)),
    )
    .map((e) => [e.address, e.points])
  return JSON.stringify([track, returns, mix.main, lines])
}

/** What a mix sounds by: its lines that are in charge, and nothing that only tells how they came about. */
const sounding = (mix: Mix) => [
  mix.tracks,
  mix.returns,
  mix.main,
  mix.envelopes.filter((e) => e.on && e.points.length).map((e) => [e.address, e.points]),
]
