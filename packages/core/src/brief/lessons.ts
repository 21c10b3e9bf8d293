import { kindOf, startValues, type Check, type Values } from '../checks'
import { trackLevel, type Mix } from '../mix'
import type { Role, SongVersion } from '../song'
import { songTime } from '../song'
import type { BriefTask } from './brief'
import type { FreshId } from './from-model'

/** A usual lesson: a task for any song, to be corrected by the teacher. */
export interface Lesson {
  readonly name: string
  make(song: SongVersion, mix: Mix, freshId: FreshId): BriefTask
}

/** What a lesson is made for: the song with the tracks and places that such lessons need. */
interface Stage {
  readonly song: SongVersion
  readonly mix: Mix
  readonly freshId: FreshId
  /** The track of the first role that there is. */
  track(...roles: readonly Role[]): string
  name(track: string): string
  /** Section by number, as a stretch; the last where there are fewer. */
  section(i: number): { readonly from: number; readonly to: number }
  /** So many bars before a tick, or after it. */
  bars(tick: number, count: number): number
  check(kind: string, lane: string, values: Values): Check
}

function stage(song: SongVersion, mix: Mix, freshId: FreshId): Stage {
  const { meter } = songTime(song)
  const sections = song.sections.length ? song.sections : [{ tick: 0 }]
  return {
    song,
    mix,
    freshId,
    track: (...roles) =>
      (roles.map((r) => song.tracks.find((t) => t.role === r)).find(Boolean) ?? song.tracks[0]!).id,
    name: (id) => song.tracks.find((t) => t.id === id)!.name,
    section: (i) => {
      const at = Math.min(i, sections.length - 1)
      return { from: sections[at]!.tick, to: sections[at + 1]?.tick ?? song.length }
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

const lesson = (name: string, make: (s: Stage) => Made): Lesson => ({
  name,
  make: (song, mix, freshId) => ({ id: freshId(), weight: 1, ...make(stage(song, mix, freshId)) }),
})

/** First send of a track, or of any. */
function sendOf(mix: Mix, track: string): string | null {
  const owner =
    mix.tracks.find((t) => t.id === track && t.sends.length) ?? mix.tracks.find((t) => t.sends.length)
  return owner ? `send/${owner.sends[0]!.id}/level` : null
}

/** The usual lessons, in the order of a term. */
export const LESSONS: readonly Lesson[] = [
  lesson('First balance', (s) => {
    const lead = s.track('lead', 'voice')
    const { from, to } = s.section(1)
    return {
      title: 'First balance',
      text: `No lines yet. Set the faders so that **${s.name(lead)}** is easy to follow and everything else is still there.`,
      lanes: [],
      from,
      to,
      checks: [
        s.check('lead over rest', trackLevel(lead), { track: lead, from, to, low: -2, high: 5 }),
        s.check('left against right', trackLevel(lead), { from, to, tolerance: 3 }),
        s.check('true peak', trackLevel(lead), { from: 0, to: s.song.length, most: -1 }),
      ],
      hints: [
        'Close your eyes: which sound do you have to search for?',
        'Begin with the lead, then bring up one after the other.',
      ],
    }
  }),
  lesson('Fade in and out', (s) => {
    const track = s.track('texture', 'chords')
    const lane = trackLevel(track)
    const first = s.section(0).from
    return {
      title: `Fade ${s.name(track)} in and out`,
      text: `${s.name(track)} comes out of nothing at the beginning and is gone at the end.`,
      lanes: [lane],
      from: 0,
      to: s.song.length,
      checks: [
        s.check('fade in', lane, { lane, from: first, to: s.bars(first, 4) }),
        s.check('fade out', lane, { lane, from: s.bars(s.song.length - 1, -3), to: s.song.length }),
      ],
      hints: [
        'Listen for the very first and the very last moment.',
        'Four bars each.',
        'One point at each end of each fade.',
      ],
    }
  }),
  lesson('Make room', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    const { from, to } = s.section(1)
    return {
      title: `Make room with ${s.name(track)}`,
      text: `Bring ${s.name(track)} down before the tune begins, and give it back after it.`,
      lanes: [lane],
      from: s.bars(from, -1),
      to: s.bars(to, 1),
      checks: [s.check('dip', lane, { lane, from, to, depth: 6, tolerance: 3, beats: 1 })],
      hints: [
        'Listen to the first note of the tune.',
        'Be down just before it.',
        'Four points: two to go, two to come back.',
      ],
    }
  }),
  lesson('Raise the solo', (s) => {
    const track = s.track('lead', 'voice')
    const lane = trackLevel(track)
    const { from, to } = s.section(2)
    return {
      title: `Raise ${s.name(track)}`,
      text: `${s.name(track)} comes forward for its part, and goes back afterwards.`,
      lanes: [lane],
      from: s.bars(from, -1),
      to: s.bars(to, 1),
      checks: [
        s.check('lift', lane, { lane, from, to, depth: 3, tolerance: 1.5, beats: 1 }),
        s.check('true peak', lane, { from, to, most: -1 }),
      ],
      hints: ['Listen whether you can follow it.', 'Start with its first note.', 'Up, rest, and back.'],
    }
  }),
  lesson('Even out the singer', (s) => {
    const track = s.track('voice', 'lead')
    const lane = trackLevel(track)
    const { from, to } = s.section(1)
    return {
      title: `Even out ${s.name(track)}`,
      text: 'Some phrases are too loud, some get lost. Ride the fader while you listen.',
      lanes: [lane],
      from,
      to,
      checks: [
        s.check('evenness', lane, { track, from, to, phrase: 2, against: 'rest', most: 3 }),
        s.check('by pass', lane, { lane, way: 'any' }),
      ],
      hints: ['Listen for the phrase that jumps at you, and the one you miss.', 'Phrases are two bars long.'],
    }
  }),
  lesson('Walk across', (s) => {
    const track = s.track('texture', 'lead')
    const lane = `track/${track}/pan`
    const { from, to } = s.section(0)
    return {
      title: `${s.name(track)} walks across`,
      text: `${s.name(track)} walks from left to right.`,
      lanes: [lane],
      from,
      to,
      checks: [s.check('sweep', lane, { lane, from, to, way: 'up', least: 40, beats: 4 })],
      hints: [
        'Use headphones and close your eyes: point to where it is.',
        'It takes the whole section.',
        'One point at each end.',
      ],
    }
  }),
  lesson('One word echoes', (s) => {
    const track = s.track('voice', 'lead')
    const lane = sendOf(s.mix, track)
    const { to } = s.section(1)
    return {
      title: 'One word echoes',
      text: 'The last word before the new part hangs in the air. Open the send for this word only.',
      lanes: lane ? [lane] : [],
      from: s.bars(to, -2),
      to: s.bars(to, 1),
      checks: lane
        ? [
            s.check('throw', lane, { lane, from: s.bars(to, -1), to, least: -12, beats: 2 }),
            s.check('tail kept', lane, { track, from: s.bars(to, -1), to: s.bars(to, 2) }),
          ]
        : [],
      hints: [
        'Listen for the word that should stay.',
        'In the last bar of the section.',
        'Shut, open, shut.',
      ],
    }
  }),
  lesson('Open the filter', (s) => {
    const filter = [...s.mix.tracks, ...s.mix.returns]
      .flatMap((o) => o.effects)
      .find((e) => e.kind === 'filter')
    const lane = filter ? `effect/${filter.id}/frequency` : null
    const { from, to } = s.section(1)
    return {
      title: 'Open the filter',
      text: 'It begins dark, as through a wall, and opens bar by bar.',
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
        'Listen to how bright it is, not how loud.',
        'It takes the whole section.',
        'Low at the start, high at the end.',
      ],
    }
  }),
  lesson('The long build', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    const { to } = s.section(1)
    const from = s.bars(to, -4)
    return {
      title: 'The long build',
      text: 'Four bars that grow, and arrive where the next part begins.',
      lanes: [lane],
      from,
      to,
      checks: [s.check('build', lane, { from, to, by: 'loudness', least: 2, steady: 60 })],
      hints: [
        'Is each bar a little more than the one before?',
        'It arrives on the first beat of the next part.',
        'From low to high.',
      ],
    }
  }),
  lesson('One out as another comes in', (s) => {
    const leaves = s.track('texture', 'chords')
    const comes = s.song.tracks.find((t) => t.id !== leaves)?.id ?? leaves
    const { to } = s.section(0)
    const from = s.bars(to, -2)
    const end = s.bars(to, 2)
    return {
      title: `${s.name(leaves)} out as ${s.name(comes)} comes in`,
      text: 'One leaves while the other comes, with no hole between them.',
      lanes: [trackLevel(leaves), trackLevel(comes)],
      from,
      to: end,
      checks: [s.check('crossing', trackLevel(leaves), { leaves, comes, from, to: end, hole: 15 })],
      hints: ['Listen to the middle: does it get empty?', 'Both move over the same bars.'],
    }
  }),
  lesson('Let it breathe', (s) => {
    const track = s.track('chords', 'texture')
    const lane = trackLevel(track)
    return {
      title: 'Let it breathe',
      text: 'Use few moves, each for a reason you can hear. Leave out what does not help.',
      lanes: [lane],
      from: 0,
      to: s.song.length,
      checks: [
        s.check('few points', lane, { lane, most: 16 }),
        s.check('no mistake', lane, { mistake: 'cut off' }),
        s.check('true peak', lane, { from: 0, to: s.song.length, most: -1 }),
      ],
      hints: ['Switch the moves off and on: which ones do you miss?'],
    }
  }),
]
