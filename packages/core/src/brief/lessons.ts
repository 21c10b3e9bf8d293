import { words } from '@rudlo/words'
import { kindOf, startValues, type Check, type Values } from '../checks'
import { trackLevel, type Mix } from '../mix'
import type { Role, SongVersion } from '../song'
import { songTime } from '../song'
import type { BriefTask } from './brief'
import type { FreshId } from './from-model'
import { soundsOf, type Sounds } from './sounds'

/** A usual lesson: a task for any song, to be corrected by the teacher. */
export interface Lesson {
  /** Its name in the catalogs, and wherever it is meant by name. */
  readonly key: string
  readonly name: string
  /** What the song has to have first, in one sentence; null where nothing is missing. */
  missing(mix: Mix): string | null
  /** @param sounds where tracks sound: the task is put where they do; by their regions, if missing */
  make(song: SongVersion, mix: Mix, freshId: FreshId, sounds?: Sounds): BriefTask
}

interface Stretch {
  readonly from: number
  readonly to: number
}

/** So much of a stretch has to sound. */
const SOUNDS = 0.75

/** What a lesson is made for: the song with the tracks and places that such lessons need. */
interface Stage {
  readonly song: SongVersion
  readonly mix: Mix
  readonly freshId: FreshId
  /** The track of the first role that there is. */
  track(...roles: readonly Role[]): string
  name(track: string): string
  /** A section in which all of these tracks sound: the one of that number if they do, else the one in which they sound most. */
  section(i: number, ...tracks: readonly string[]): Stretch
  /** Where a track begins and ends to sound. */
  extent(track: string): Stretch
  readonly sounds: Sounds
  /** So many bars before a tick, or after it. */
  bars(tick: number, count: number): number
  check(kind: string, lane: string, values: Values): Check
}

function stage(song: SongVersion, mix: Mix, freshId: FreshId, sounds: Sounds): Stage {
  const { meter } = songTime(song)
  const sections = song.sections.length ? song.sections : [{ tick: 0 }]
  return {
    song,
    mix,
    freshId,
    track: (...roles) =>
      (roles.map((r) => song.tracks.find((t) => t.role === r)).find(Boolean) ?? song.tracks[0]!).id,
    name: (id) => song.tracks.find((t) => t.id === id)!.name,
    sounds,
    extent: (track) => sounds.extent(track),
    section: (i, ...tracks) => {
      const all = sections.map((s, k) => ({ from: s.tick, to: sections[k + 1]?.tick ?? song.length }))
      const share = ({ from, to }: Stretch) => Math.min(1, ...tracks.map((t) => sounds.share(t, from, to)))
      const asked = all[Math.min(i, all.length - 1)]!
      return share(asked) >= SOUNDS
        ? asked
        : all.reduce((best, s) => (share(s) > share(best) ? s : best), asked)
    },
    bars: (tick, count) => {
      const { bar } = meter.placeAt(Math.min(tick, song.length))
      return Math.min(song.length, Math.max(0, meter.barStart(Math.max(1, bar + count))))
    },
    check: (kind, lane, values) => {
      const start = startValues(kindOf(kind), { song, mix, lane, from: 0, to: song.length })
      return { id: freshId(), kind, values: { ...start, ...values } }
    },
  }
}

type Made = Pick<BriefTask, 'title' | 'text' | 'lanes' | 'from' | 'to' | 'checks' | 'hints'>

/** @param key of its words in the catalog */
const lesson = (key: string, make: (s: Stage) => Made, missing: Lesson['missing'] = () => null): Lesson => ({
  key,
  get name() {
    return words(`lesson.${key}`)
  },
  missing,
  make: (song, mix, freshId, sounds = soundsOf(song, mix)) => ({
    id: freshId(),
    weight: 1,
    ...make(stage(song, mix, freshId, sounds)),
  }),
})

/** Bars on either side of a turn in which a track has to sound. */
const AROUND = 4

/** Where one track can leave as another comes in: both sound around it, and the one that comes does not have to be there before. */
function turn(s: Stage): { leaves: string; comes: string; tick: number } {
  const ids = s.song.tracks.map((t) => t.id)
  const ticks = s.song.sections.map((x) => x.tick).filter((t) => t > 0)
  let best = { leaves: ids[0]!, comes: ids[1] ?? ids[0]!, tick: ticks[0] ?? s.bars(0, 8), worth: -1 }
  for (const tick of ticks)
    for (const leaves of ids)
      for (const comes of ids) {
        if (leaves === comes) continue
        const away = s.sounds.share(leaves, s.bars(tick, -AROUND), tick)
        const here = s.sounds.share(comes, tick, s.bars(tick, AROUND))
        // whoever was not there before comes in for everybody to hear
        const fresh = 1 - s.sounds.share(comes, s.bars(tick, -2 * AROUND), s.bars(tick, -2))
        const worth = Math.min(away, here) + 0.3 * fresh
        if (worth > best.worth) best = { leaves, comes, tick, worth }
      }
  return best
}

const needsSend: Lesson['missing'] = (mix) =>
  mix.tracks.some((t) => t.sends.length) ? null : words('lesson.track-send-echo')
const needsFilter: Lesson['missing'] = (mix) =>
  [...mix.tracks, ...mix.returns].some((o) => o.effects.some((e) => e.kind === 'filter'))
    ? null
    : words('lesson.track-filter-first')

/** First send of a track, or of any. */
function sendOf(mix: Mix, track: string): string | null {
  const owner =
    mix.tracks.find((t) => t.id === track && t.sends.length) ?? mix.tracks.find((t) => t.sends.length)
  return owner ? `send/${owner.sends[0]!.id}/level` : null
}

/** The usual lessons, in the order of a term. */
export const LESSONS: readonly Lesson[] = [
  lesson('first-balance', (s) => {
    const lead = s.track('lead', 'voice')
    const { from, to } = s.section(1, lead)
    return {
      title: words('lesson.first-balance'),
      text: words('lesson.no-lines-yet', { name: s.name(lead) }),
      lanes: [],
      from,
      to,
      checks: [
        s.check('lead over rest', trackLevel(lead), { track: lead, from, to, low: -2, high: 5 }),
        s.check('left against right', trackLevel(lead), { from, to, tolerance: 3 }),
        s.check('true peak', trackLevel(lead), { from: 0, to: s.song.length, most: -1 }),
      ],
      hints: [words('lesson.close-eyes-sound'), words('lesson.begin-lead-then')],
    }
  }),
  lesson('fade-in-and-out', (s) => {
    const track = s.track('texture', 'chords')
    const lane = trackLevel(track)
    const { from, to } = s.extent(track)
    const [begun, over] = [s.bars(from, 4), s.bars(to - 1, -3)]
    return {
      title: words('lesson.fade-in-and-out.title', { name: s.name(track) }),
      text: words('lesson.comes-out-nothing', { name: s.name(track) }),
      lanes: [lane],
      from,
      to,
      checks: [
        s.check('fade in', lane, { lane, from, to: begun }),
        // a short part has no room for both
        ...(over >= begun ? [s.check('fade out', lane, { lane, from: over, to })] : []),
      ],
      hints: [
        words('lesson.listen-very-first'),
        words('lesson.four-bars-each'),
        words('lesson.one-point-each'),
      ],
    }
  }),
  lesson('make-room', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    const { from, to } = s.section(1, track, s.track('lead', 'voice'))
    return {
      title: words('lesson.make-room.title', { name: s.name(track) }),
      text: words('lesson.bring-down-before', { name: s.name(track) }),
      lanes: [lane],
      from: s.bars(from, -1),
      to: s.bars(to, 1),
      checks: [s.check('dip', lane, { lane, from, to, depth: 6, tolerance: 3, beats: 1 })],
      hints: [
        words('lesson.listen-first-note'),
        words('lesson.down-just-before'),
        words('lesson.four-points-two'),
      ],
    }
  }),
  lesson('raise-solo', (s) => {
    const track = s.track('lead', 'voice')
    const lane = trackLevel(track)
    const { from, to } = s.section(2, track)
    return {
      title: words('lesson.raise', { name: s.name(track) }),
      text: words('lesson.comes-forward-part', { name: s.name(track) }),
      lanes: [lane],
      from: s.bars(from, -1),
      to: s.bars(to, 1),
      checks: [
        s.check('lift', lane, { lane, from, to, depth: 3, tolerance: 1.5, beats: 1 }),
        s.check('true peak', lane, { from, to, most: -1 }),
      ],
      hints: [
        words('lesson.listen-whether-follow'),
        words('lesson.start-first-note'),
        words('lesson.up-rest-back'),
      ],
    }
  }),
  lesson('even-out-singer', (s) => {
    const track = s.track('voice', 'lead')
    const lane = trackLevel(track)
    const { from, to } = s.section(1, track)
    return {
      title: words('lesson.even-out', { name: s.name(track) }),
      text: words('lesson.phrases-too-loud'),
      lanes: [lane],
      from,
      to,
      checks: [
        s.check('evenness', lane, { track, from, to, phrase: 2, against: 'rest', most: 3 }),
        s.check('by pass', lane, { lane, way: 'any' }),
      ],
      hints: [words('lesson.listen-phrase-jumps'), words('lesson.phrases-two-bars')],
    }
  }),
  lesson('walk-across', (s) => {
    const track = s.track('texture', 'lead')
    const lane = `track/${track}/pan`
    const { from, to } = s.section(0, track)
    return {
      title: words('lesson.walks-across', { name: s.name(track) }),
      text: words('lesson.walks-left-right', { name: s.name(track) }),
      lanes: [lane],
      from,
      to,
      checks: [s.check('sweep', lane, { lane, from, to, way: 'up', least: 40, beats: 4 })],
      hints: [
        words('lesson.use-headphones-close'),
        words('lesson.takes-whole-section'),
        words('lesson.one-point-each-end'),
      ],
    }
  }),
  lesson(
    'one-word-echoes',
    (s) => {
      const track = s.track('voice', 'lead')
      const lane = sendOf(s.mix, track)
      const { to } = s.section(1, track)
      return {
        title: words('lesson.one-word-echoes'),
        text: words('lesson.last-word-before'),
        lanes: lane ? [lane] : [],
        from: s.bars(to, -2),
        to: s.bars(to, 1),
        checks: lane
          ? [
              s.check('throw', lane, { lane, from: s.bars(to, -1), to, least: -12, beats: 2 }),
              s.check('tail kept', lane, { track, from: s.bars(to, -1), to: s.bars(to, 2) }),
            ]
          : [],
        hints: [words('lesson.listen-word-should'), words('lesson.last-bar-section'), 'Shut, open, shut.'],
      }
    },
    needsSend,
  ),
  lesson(
    'open-filter',
    (s) => {
      const filter = [...s.mix.tracks, ...s.mix.returns]
        .flatMap((o) => o.effects)
        .find((e) => e.kind === 'filter')
      const lane = filter ? `effect/${filter.id}/frequency` : null
      const owner = s.mix.tracks.find((t) => t.effects.some((e) => e.id === filter?.id))
      const { from, to } = s.section(1, ...(owner ? [owner.id] : []))
      return {
        title: words('lesson.open-filter'),
        text: words('lesson.begins-dark-through'),
        lanes: lane ? [lane] : [],
        from,
        to,
        checks: lane
          ? [
              s.check('sweep', lane, { lane, from, to, way: 'up', least: 40, beats: 4 }),
              s.check('build', lane, { from, to, by: 'brightness', least: 3, steady: 50 }),
            ]
          : [],
        hints: [
          words('lesson.listen-how-bright'),
          words('lesson.takes-whole-section'),
          words('lesson.low-start-high'),
        ],
      }
    },
    needsFilter,
  ),
  lesson('long-build', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    const { to } = s.section(1, track)
    const from = s.bars(to - 1, -3)
    return {
      title: words('lesson.long-build'),
      text: words('lesson.four-bars-grow'),
      lanes: [lane],
      from,
      to,
      checks: [s.check('build', lane, { from, to, by: 'loudness', least: 2, steady: 60 })],
      hints: [words('lesson.each-bar-little'), words('lesson.arrives-first-beat'), words('lesson.low-high')],
    }
  }),
  lesson('one-out-another', (s) => {
    const { leaves, comes, tick } = turn(s)
    const from = s.bars(tick, -2)
    const end = s.bars(tick, 2)
    return {
      title: words('lesson.out-comes', { name: s.name(leaves), other: s.name(comes) }),
      text: words('lesson.one-leaves-while'),
      lanes: [trackLevel(leaves), trackLevel(comes)],
      from,
      to: end,
      checks: [s.check('crossing', trackLevel(leaves), { leaves, comes, from, to: end, hole: 4 })],
      hints: [words('lesson.listen-middle-does'), words('lesson.both-move-over')],
    }
  }),
  lesson('let-breathe', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    return {
      title: words('lesson.let-breathe'),
      text: words('lesson.use-few-moves'),
      lanes: [lane],
      from: 0,
      to: s.song.length,
      checks: [
        s.check('few points', lane, { lane, most: 16 }),
        s.check('no mistake', lane, { mistake: 'cut off' }),
        s.check('true peak', lane, { from: 0, to: s.song.length, most: -1 }),
      ],
      hints: [words('lesson.switch-moves-off')],
    }
  }),
]
