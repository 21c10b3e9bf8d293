import { laneName } from '@rudlo/core/assess'
import {
  HOLE_LU,
  HOPS,
  type BalancePicture,
  type BuildPicture,
  type CrossingPicture,
  type FadePicture,
  type Picture,
} from '@rudlo/core/heard'
import type { Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { beatInWords } from '@rudlo/core/time'
import { listText, numberText, signedText } from '@rudlo/words'
import { t } from '../../words/t'

/** What names and places are said by. */
export interface Namer {
  readonly song: SongVersion
  readonly mix: Mix
  readonly time: SongTime
  /** The bars that it is about: what is said of them comes first. */
  readonly within: { readonly from: number; readonly to: number } | null
}

/** Figures of a picture as a table: it says what is drawn. */
export interface PictureTable {
  readonly head: readonly string[]
  /** The first of each row is what it is about. */
  readonly rows: readonly (readonly string[])[]
}

const at = ({ time }: Namer, tick: number) => beatInWords(time.meter, tick)
export const nameOf = ({ song, mix }: Namer, lane: string) => laneName(song, mix, lane)
const trackOf = ({ song }: Namer, id: string) => song.tracks.find((track) => track.id === id)?.name ?? ''
/** The track that a lane belongs to; the lane itself where it belongs to none. */
const fader = (by: Namer, lane: string) => trackOf(by, lane.split('/')[1] ?? '') || nameOf(by, lane)
const figure = (lu: number | null | undefined, places: number) =>
  lu === null || lu === undefined ? '–' : signedText(lu, places)

/** What a picture is called. */
export function titleOf(by: Namer, picture: Picture): string {
  switch (picture.kind) {
    case 'fade':
      return t(picture.fade.way === 'out' ? 'heard.fade.out' : 'heard.fade.in', {
        name: nameOf(by, picture.lane),
      })
    case 'crossing':
      return t('heard.crossing', { leaves: fader(by, picture.leaves), comes: fader(by, picture.comes) })
    case 'build':
      return t(picture.grows ? 'heard.build' : 'heard.bars')
    case 'balance':
      return t('heard.balance')
  }
}

/** What a picture says, in sentences: the first is the one that counts. */
export function saidOf(by: Namer, picture: Picture): readonly string[] {
  switch (picture.kind) {
    case 'fade':
      return saidOfFade(by, picture.fade, fader(by, picture.lane))
    case 'crossing':
      return saidOfCrossing(by, picture.crossing, fader(by, picture.leaves), fader(by, picture.comes))
    case 'build':
      return picture.grows ? saidOfBuild(by, picture.build) : saidOfBars(picture.build)
    case 'balance':
      return saidOfBalance(by, picture.balance)
  }
}

function saidOfFade(by: Namer, fade: FadePicture, name: string): string[] {
  const { way, start, end, heard, gone, still, steepest, loss } = fade
  if (loss.every((lu) => lu === null)) return [t('heard.said.silent', { name })]
  const out = way === 'out'
  const begins = heard === null ? null : at(by, heard)
  const goes = gone === null ? null : at(by, gone)
  return [
    begins === null
      ? t('heard.said.never', { from: at(by, start), to: at(by, end) })
      : t(out ? 'heard.said.leaves' : 'heard.said.comes', { where: out ? begins : (goes ?? begins) }),
    ...(begins === null
      ? []
      : [
          out
            ? goes === null
              ? t('heard.said.stays')
              : t('heard.said.gone', { where: goes })
            : goes === null
              ? t('heard.said.there')
              : t('heard.said.full', { where: begins }),
        ]),
    ...(still ? [t('heard.said.still', { from: at(by, still.from), to: at(by, still.to) })] : []),
    ...(steepest
      ? [t('heard.said.steepest', { where: at(by, steepest.tick), speed: numberText(steepest.speed, 0) })]
      : []),
    ...(loss.some((lu) => lu === null) ? [t('heard.said.rests', { name })] : []),
  ]
}

function saidOfCrossing(
  by: Namer,
  { sum, meet, hole }: CrossingPicture,
  leaves: string,
  comes: string,
): string[] {
  if (sum.every((lu) => lu === null)) return [t('heard.said.neither', { leaves, comes })]
  return [
    hole
      ? t(hole.deep >= HOLE_LU ? 'heard.said.hole' : 'heard.said.thin', {
          where: at(by, hole.tick),
          deep: numberText(hole.deep, 0),
        })
      : t('heard.said.no-hole'),
    meet === null
      ? t('heard.said.never-meet', { leaves, comes })
      : t('heard.said.meet', { where: at(by, meet) }),
  ]
}

function saidOfBuild(by: Namer, { bars, steepest, falls, room, after, brightens }: BuildPicture): string[] {
  if (bars.every((b) => b.adds === null)) return [t('heard.said.nothing-plays')]
  if (!Object.keys(bars[0]?.lanes ?? {}).length) return [t('heard.said.no-line')]
  const [first, last] = [bars[0]?.adds ?? 0, bars.at(-1)?.adds ?? 0]
  const grown = last - first
  const [bottom, top] = [bars[0]?.octaves ?? null, bars.at(-1)?.octaves ?? null]
  return [
    Math.abs(grown) < 0.5
      ? t('heard.said.level')
      : t(grown > 0 ? 'heard.said.grows' : 'heard.said.shrinks', { lu: numberText(Math.abs(grown), 1) }),
    ...(steepest ? [t('heard.said.steepest-bar', { bar: steepest })] : []),
    ...(grown > 0 && falls.length
      ? [t('heard.said.falls', { n: falls.length, bars: listText(falls.map(String)) })]
      : []),
    ...(brightens && bottom !== null && top !== null
      ? [t('heard.said.brighter', { name: nameOf(by, brightens), octaves: signedText(top - bottom, 1) })]
      : []),
    ...(room === null ? [] : [t('heard.said.room', { room: numberText(room, 1) })]),
    ...(after === null
      ? []
      : [
          Math.abs(after) < 0.5
            ? t('heard.said.after-same')
            : t(after > 0 ? 'heard.said.after-louder' : 'heard.said.after-softer', {
                lu: numberText(Math.abs(after), 1),
              }),
        ]),
  ]
}

/** What lines do where nothing should grow: most of it, and where. */
function saidOfBars({ bars, room }: BuildPicture): string[] {
  if (bars.every((b) => b.adds === null)) return [t('heard.said.nothing-plays')]
  if (!Object.keys(bars[0]?.lanes ?? {}).length) return [t('heard.said.no-line')]
  const most = bars.reduce((a, b) => (Math.abs(b.adds ?? 0) > Math.abs(a.adds ?? 0) ? b : a))
  const lu = most.adds ?? 0
  return [
    Math.abs(lu) < 0.5
      ? t('heard.said.same-loudness')
      : t(lu > 0 ? 'heard.said.most-louder' : 'heard.said.most-softer', {
          bar: most.bar,
          lu: numberText(Math.abs(lu), 1),
        }),
    ...(room === null ? [] : [t('heard.said.room', { room: numberText(room, 1) })]),
  ]
}

/** A share in the words of a lesson. */
function shareWord(share: number): 'all' | 'most' | 'half' | 'third' | 'part' {
  if (share > 0.9) return 'all'
  if (share > 0.62) return 'most'
  if (share > 0.42) return 'half'
  return share > 0.28 ? 'third' : 'part'
}

/** Who is in the way of whom, and what would help. */
function saidOfBalance(by: Namer, { bars, way }: BalancePicture): string[] {
  if (bars.every((b) => b.lead === null)) return [t('heard.said.no-lead')]
  const { sections, length } = by.song
  const isHere = (id: string) => {
    const i = sections.findIndex((s) => s.id === id)
    const [from, to] = [sections[i]?.tick ?? 0, sections[i + 1]?.tick ?? length]
    return by.within !== null && from < by.within.to && to > by.within.from
  }
  const ordered = [...way].sort((a, b) => Number(isHere(b.section)) - Number(isHere(a.section)))
  const said = ordered.flatMap(({ section, lead, by: covering, forward }) => {
    const letter = sections.find((s) => s.id === section)?.letter ?? ''
    return covering.map(({ track, share, low, high, back }) => {
      const names = { letter, track: trackOf(by, track), lead: trackOf(by, lead) }
      const covers = t('heard.way', {
        ...names,
        share: t(`heard.share.${shareWord(share)}`),
        low: numberText(low, 0),
        high: numberText(high, 0),
      })
      if (back !== null) return `${covers} ${t('heard.way.back', { ...names, back })}`
      return forward === null ? covers : `${covers} ${t('heard.way.forward', { ...names, forward })}`
    })
  })
  return said.length ? said : [t('heard.way.none')]
}

/** The figures of a picture: what is drawn, in text. */
export function tableOf(by: Namer, picture: Picture): PictureTable {
  switch (picture.kind) {
    case 'fade':
      return beatTable(by, picture.fade.first, [
        [t('heard.loss'), picture.fade.loss],
        [t('heard.even'), picture.fade.even],
      ])
    case 'crossing':
      return beatTable(by, picture.crossing.first, [
        [fader(by, picture.leaves), picture.crossing.leaves],
        [fader(by, picture.comes), picture.crossing.comes],
        [t('heard.crossing.sum'), picture.crossing.sum],
      ])
    case 'build':
      return buildTable(by, picture.build)
    case 'balance':
      return {
        head: [t('heard.bar'), t('heard.lead')],
        rows: picture.balance.bars.map((b) => [String(b.bar), figure(b.lead, 1)]),
      }
  }
}

/** What runs by hops, read off at every beat. */
function beatTable(
  by: Namer,
  first: number,
  columns: readonly (readonly [string, readonly (number | null)[]])[],
): PictureTable {
  const { tempo, meter, length } = by.time
  const hops = columns[0]?.[1].length ?? 0
  const rows: string[][] = []
  const last = Math.min(length, tempo.tickAt((first + hops) / HOPS))
  for (let tick = Math.ceil(tempo.tickAt(first / HOPS)); tick < last;) {
    const { beat } = meter.lengthsAt(tick)
    const place = meter.placeAt(tick)
    const start = meter.barStart(place.bar) + (place.beat - 1) * beat
    const on = start < tick - 1 ? start + beat : start
    const hop = Math.floor(tempo.secondsAt(on) * HOPS) - first
    rows.push([at(by, on), ...columns.map(([, values]) => figure(values[hop], 1))])
    tick = on + beat
  }
  return { head: [t('heard.place'), ...columns.map(([name]) => name)], rows }
}

function buildTable(by: Namer, { bars, brightens }: BuildPicture): PictureTable {
  const lanes = Object.keys(bars[0]?.lanes ?? {})
  return {
    head: [
      t('heard.bar'),
      t('heard.adds'),
      ...lanes.map((lane) => nameOf(by, lane)),
      t('heard.together'),
      ...(brightens ? [t('heard.brighter')] : []),
    ],
    rows: bars.map((b) => [
      String(b.bar),
      figure(b.adds, 1),
      ...lanes.map((lane) => figure(b.lanes[lane], 1)),
      figure(b.together, 1),
      ...(brightens ? [figure(b.octaves, 1)] : []),
    ]),
  }
}
