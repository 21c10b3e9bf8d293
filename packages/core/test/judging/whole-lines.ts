/** Whole lines as beginners make them, each with the moves that a teacher would name in it. */
import { levelScale, linearScale, logScale, type Scale } from '../../src/scale'
import { smallSong } from '../songs'
import { songTime, type SongTime } from '../../src/song'
import { Chance, type DrawnPoint } from '../drawn/hand'
import { recorded, ridden, someHand, straightPoint, THROWN, type Hand, type Plan } from './rider'

/** A move as it is labelled. */
export interface Label {
  readonly kind: string
  readonly start: number
  readonly end: number
}

export interface LabelledLine {
  readonly name: string
  readonly ridden: boolean
  readonly lane: string
  readonly scale: Scale
  readonly time: SongTime
  readonly sections: readonly { readonly tick: number }[]
  readonly points: readonly DrawnPoint[]
  readonly labels: readonly Label[]
}

const BARS = 33
const SECTION_BARS = [1, 9, 17, 25]

/** A place that is meant: between two ticks it goes to a height; `at once` is a jump. */
interface Stroke {
  readonly from: number
  readonly to: number
  readonly height: number
}

/** One move of a plan: what it is called, its strokes, and where it leaves the line. */
interface Sketch {
  readonly kind: string
  readonly strokes: readonly Stroke[]
  /** Whether only points make it: a hand cannot. */
  readonly set?: true
  /** A second move that follows without a rest. */
  readonly then?: Sketch
}

interface Place {
  readonly c: Chance
  readonly bar: number
  readonly beat: number
  /** The resting height. */
  readonly rest: number
  readonly scale: Scale
  /** Tick at which the next section begins, and the bars until then. */
  readonly section: number
  readonly now: number
}

const db = (v: number) => levelScale.toTravel(v)
/** A height so many dB from another. */
const by = (height: number, dB: number) => db(levelScale.toValue(height) + dB)
const level = ({ scale }: Place) => scale === levelScale

/** So far away from the rest as would be heard, in travel. */
function away(p: Place, way: 1 | -1, least = 3, most = 12): number {
  if (level(p)) return by(p.rest, way * p.c.between(least, most))
  return p.rest + way * p.c.between(0.12, 0.22)
}

/** There and back over some beats, in one step or two. */
function aside(kind: string, p: Place, way: 1 | -1): Sketch {
  const { c, beat, now, rest } = p
  const goal =
    way > 0 ? away(p, 1, 3, level(p) ? Math.min(9, 5.5 - levelScale.toValue(rest)) : 0) : away(p, -1)
  const edge = beat * c.one([0.25, 0.5, 1, 2, 4])
  const stays = beat * c.between(2, 16)
  const two = c.next() < 0.3
  const strokes: Stroke[] = []
  let t = now
  if (two) {
    const pause = beat * c.between(1, 4)
    const part = rest + (goal - rest) * c.between(0.35, 0.65)
    strokes.push({ from: t, to: t + edge, height: part })
    t += edge + pause
  }
  strokes.push({ from: t, to: t + edge, height: goal })
  t += edge + stays
  const back = beat * c.one([0.25, 0.5, 1, 2, 4])
  const off = (goal - rest) * (c.next() < 0.3 ? c.between(-0.12, 0.2) : 0)
  strokes.push({ from: t, to: t + back, height: rest + off })
  return { kind, strokes }
}

/** From here to there in one way, with a rest in it, or in even steps. */
function along(
  kind: string,
  p: Place,
  goal: number,
  start: number,
  end: number,
  how: 'even' | 'rest',
): Sketch {
  const { c, beat, rest } = p
  if (how === 'even') return { kind, strokes: [{ from: start, to: end, height: goal }] }
  const pause = Math.min((end - start) / 3, beat * c.between(0.5, 1.5))
  const u = c.between(0.3, 0.7)
  const middle = start + (end - start - pause) * u
  return {
    kind,
    strokes: [
      { from: start, to: middle, height: rest + (goal - rest) * u },
      { from: middle + pause, to: end, height: goal },
    ],
  }
}

const SKETCHES: Readonly<Record<string, (p: Place) => Sketch | null>> = {
  dip: (p) => (p.rest > 0.25 ? aside('dip', p, -1) : null),
  lift: (p) => {
    if (p.rest > 0.68 || (level(p) && p.rest < 0.25)) return null
    const made = aside('lift', p, 1)
    const bars = (made.strokes.at(-1)!.to - made.strokes[0]!.from) / p.bar
    // an effect that opens for so short is thrown
    return level(p) ? made : bars < 1.9 ? { ...made, kind: 'throw' } : bars > 2.2 ? made : null
  },
  'dip straight into a lift': (p) => {
    if (p.rest > 0.66 || p.rest < 0.4) return null
    const { c, beat, now, rest } = p
    const [down, up] = [away(p, -1, 4, 8), away(p, 1, 4, 5)]
    const a = now + beat * c.between(0.5, 2)
    const b = a + beat * c.between(2, 8)
    const e = b + beat * c.between(0.5, 1)
    const middle = b + ((e - b) * (rest - down)) / (up - down)
    const f = e + beat * c.between(2, 8)
    const g = f + beat * c.between(0.5, 2)
    return {
      kind: 'dip',
      strokes: [
        { from: now, to: a, height: down },
        { from: b, to: middle, height: rest },
      ],
      then: {
        kind: 'lift',
        strokes: [
          { from: middle, to: e, height: up },
          { from: f, to: g, height: rest },
        ],
      },
    }
  },
  throw: (p) => {
    if (!level(p) || p.rest > 0) return null
    const { c, beat, bar, now } = p
    const goal = db(c.between(-12, 0))
    const edge = beat * c.one([0.25, 0.5])
    const stays = c.between(0.5, Math.max(0.6, Math.min(4, (2 * bar) / beat - 3.2))) * beat
    const two = c.next() < 0.3
    const first = two ? [{ from: now, to: now + edge, height: goal * c.between(0.5, 0.75) }] : []
    const t = two ? now + edge + beat * c.between(0.3, 0.6) : now
    return {
      kind: 'throw',
      strokes: [
        ...first,
        { from: t, to: t + edge, height: goal },
        { from: t + edge + stays, to: t + 2 * edge + stays, height: 0 },
      ],
    }
  },
  'fade in': (p) => {
    if (!level(p) || p.rest > 0) return null
    const end = p.now + p.bar * p.c.whole(1, 6)
    return along('fade in', p, db(p.c.between(-10, 1)), p.now, end, p.c.next() < 0.3 ? 'rest' : 'even')
  },
  'fade out': (p) => {
    if (!level(p) || p.rest < 0.4) return null
    const end = p.now + p.bar * p.c.whole(1, 6)
    return along('fade out', p, 0, p.now, end, p.c.next() < 0.3 ? 'rest' : 'even')
  },
  build: (p) => {
    if (!level(p) || p.rest < 0.2 || p.rest > 0.55) return null
    const bars = p.c.whole(2, 6)
    const start = p.section - bars * p.bar
    if (start < p.now) return null
    const goal = by(p.rest, p.c.between(4, 8))
    return along('build', p, goal, start, p.section, p.c.next() < 0.2 ? 'rest' : 'even')
  },
  'build by steps': (p) => {
    if (!level(p) || p.rest < 0.2 || p.rest > 0.55) return null
    const bars = p.c.whole(3, 6)
    const start = p.section - bars * p.bar
    if (start < p.now) return null
    const each = p.c.between(1, 2)
    const edge = p.c.one([0, 0, 0.25, 1]) * p.beat
    const arrives = p.c.next() < 0.5 ? bars + 1 : bars
    return {
      kind: 'build',
      strokes: Array.from({ length: arrives }, (_, k) => ({
        from: start + k * p.bar,
        to: start + k * p.bar + edge,
        height: by(p.rest, each * (k + 1)),
      })),
    }
  },
  drop: (p) => {
    if (!level(p) || p.rest < 0.4) return null
    const nothing = p.c.next() < 0.35
    const goal = nothing ? 0 : by(p.rest, -p.c.between(7, 14))
    const takes = p.beat * p.c.between(0.1, 0.8)
    return { kind: 'drop', strokes: [{ from: p.section, to: p.section + takes, height: goal }] }
  },
  'jump up': (p) =>
    p.rest < 0.66 && (p.rest > 0.1 || !level(p))
      ? { kind: 'jump up', set: true, strokes: [{ from: p.now, to: p.now, height: away(p, 1, 3, 5) }] }
      : null,
  'jump down': (p) =>
    p.rest > 0.4 && Math.abs(p.section - p.now) > 2 * p.beat
      ? { kind: 'jump down', set: true, strokes: [{ from: p.now, to: p.now, height: away(p, -1) }] }
      : null,
  sweep: (p) => {
    const end = p.now + p.bar * p.c.between(0.5, 5)
    if (level(p)) return null
    const far = p.scale.kind === 'log' ? (p.rest > 0.5 ? -1 : 1) * p.c.between(0.35, 0.6) : 0
    if (far) return along('sweep', p, Math.min(1, Math.max(0, p.rest + far)), p.now, end, 'even')
    if (Math.abs(p.rest - 0.5) < 0.15) return null
    const other = p.rest > 0.5 ? p.c.between(0, 0.3) : p.c.between(0.7, 1)
    return along('sweep', p, other, p.now, end, p.c.next() < 0.2 ? 'rest' : 'even')
  },
}

const LANES = [
  {
    lane: 'track/reed/level',
    scale: levelScale,
    kinds: [
      'dip',
      'lift',
      'dip straight into a lift',
      'fade in',
      'fade out',
      'build',
      'build by steps',
      'drop',
      'jump up',
      'jump down',
    ],
    rests: [0, db(-14), db(-10), db(-6), db(-3)],
  },
  { lane: 'send/s1/level', scale: levelScale, kinds: ['throw', 'throw', 'throw'], rests: [0] },
  {
    lane: 'track/reed/pan',
    scale: linearScale(-1, 1),
    kinds: ['sweep', 'sweep'],
    rests: [0.1, 0.25, 0.8, 0.95],
  },
  {
    lane: 'effect/f1/frequency',
    scale: logScale(40, 16_000),
    kinds: ['sweep', 'sweep'],
    rests: [0.2, 0.35, 0.8],
  },
  { lane: 'effect/d1/wet', scale: linearScale(0, 1), kinds: ['lift'], rests: [0.3] },
] as const

const METERS = [
  { beats: 4, unit: 4 },
  { beats: 4, unit: 4 },
  { beats: 3, unit: 4 },
  { beats: 6, unit: 8 },
] as const

function song(c: Chance) {
  const meter = c.one(METERS)
  const bpm = c.whole(58, 176)
  const bar = (meter.beats * 3840) / meter.unit
  const sections = SECTION_BARS.map((b, i) => ({ id: `s${i}`, letter: 'A', name: '', tick: (b - 1) * bar }))
  const time = songTime({
    ...smallSong(8),
    length: BARS * bar,
    tempo: [{ tick: 0, bpm, form: 'hold' }],
    meter: [{ tick: 0, ...meter }],
    sections,
  })
  return { time, sections, bar, beat: time.meter.lengthsAt(0).beat, bpm }
}

/** A line of one to four moves, or none where nothing fitted. */
export function wholeLine(seed: number): LabelledLine | null {
  const c = new Chance(seed)
  for (let k = 0; k < 5; k++) c.next()
  const { time, sections, bar, beat, bpm } = song(c)
  const on = c.one([LANES[0], LANES[0], LANES[0], ...LANES.slice(1)] as (typeof LANES)[number][])
  const byHand = c.next() < 0.5
  const start = c.one(on.rests)
  const wanted = c.whole(1, 4)
  const sketches: Sketch[] = []
  let rest: number = start
  let now = bar * c.whole(1, 3)
  for (let tries = 0; tries < 60 && sketches.length < wanted; tries++) {
    const section = sections.find((s) => s.tick >= now + beat)?.tick
    if (section === undefined || now > (BARS - 9) * bar) break
    const made = SKETCHES[c.one(on.kinds)]!({ c, bar, beat, rest, scale: on.scale, section, now })
    if (!made || (made.set && (byHand || sketches.some((s) => s.set)))) continue
    const parts = made.then ? [made, made.then] : [made]
    const last = parts.at(-1)!.strokes.at(-1)!
    if (last.to > (BARS - 2) * bar) continue
    sketches.push(...parts)
    rest = last.height
    // a good rest before the next, on a bar
    now = Math.ceil((last.to + Math.max(bar, (6 * bpm * 960) / 60)) / bar) * bar
  }
  if (!sketches.length) return null
  const seconds = (tick: number) => (tick * 60) / (960 * bpm)
  const ticks = (s: number) => Math.round((s * 960 * bpm) / 60)
  const strokes = sketches.flatMap((s) => s.strokes)
  const base = {
    name: `${seed} ${on.lane} ${byHand ? 'ridden' : 'drawn'} ${bpm}: ${sketches.map((s) => s.kind).join(', ')}`,
    ridden: byHand,
    lane: on.lane,
    scale: on.scale,
    time,
    sections,
  }
  const value = (h: number) => on.scale.toValue(h)
  if (byHand) {
    const hand = someHand(c)
    const plans: Plan[] = strokes.map((s) => ({ from: seconds(s.from), to: seconds(s.to), height: s.height }))
    const samples = ridden(start, plans, seconds(time.length), hand, c)
    const points = recorded(samples, hand)
      .map((s) => straightPoint(ticks(s.at), value(s.height)))
      .filter((p, i, all) => i === 0 || p.tick > all[i - 1]!.tick)
    let from = start
    const labels = sketches.map((s) => {
      const label = edges(s, from, samples, seconds, ticks, hand)
      from = s.strokes.at(-1)!.height
      return { kind: s.kind, ...label }
    })
    return { ...base, points, labels }
  }
  // points on the grid, near it or anywhere
  const off = c.one([0, 0, 20, 150])
  const bend = c.next() < 0.3
  const points: DrawnPoint[] = []
  let height: number = start
  const add = (tick: number, h: number, form: DrawnPoint['form'] = 'straight') => {
    const before = points.at(-1)
    const t = Math.max(before ? before.tick + 1 : 0, Math.round(tick))
    points.push({
      tick: t,
      value: value(h),
      form,
      bend: form === 'curve' ? c.between(-2, 2) : form === 's' ? 1.5 : 0,
    })
    return t
  }
  const at = new Map<Stroke, { from: number; to: number }>()
  if (c.next() < 0.5) add(0, start)
  for (const s of strokes) {
    const shift = off ? Math.round(c.off(off)) : 0
    const jumps = s.to === s.from
    const flows = points.at(-1)?.tick === Math.round(s.from) && height !== start
    const form = jumps ? 'jump' : bend && s.to - s.from > beat ? c.one(['curve', 's'] as const) : 'straight'
    const from = flows ? points.at(-1)!.tick : add(s.from + shift - (jumps ? 1 : 0), height, form)
    const to = add(jumps ? from + 1 : s.to + shift, s.height)
    at.set(s, jumps ? { from: to, to } : { from, to })
    height = s.height
  }
  const labels = sketches.map((s) => ({
    kind: s.kind,
    start: at.get(s.strokes[0]!)!.from,
    end: at.get(s.strokes.at(-1)!)!.to,
  }))
  return { ...base, points, labels }
}

/**
 * When a ridden move is seen to begin and to be over: when the hand sets off and arrives; where that goes quickly, a little way into
 * its first stroke, and nearly at the end of its last.
 */
function edges(
  sketch: Sketch,
  before: number,
  samples: ReturnType<typeof ridden>,
  seconds: (tick: number) => number,
  ticks: (s: number) => number,
  hand: Hand,
) {
  const { delay } = hand
  const [first, last] = [sketch.strokes[0]!, sketch.strokes.at(-1)!]
  const prior = sketch.strokes.at(-2)?.height ?? before
  const near = (way: number) => Math.max(0.006, Math.abs(way) * 0.04)
  const slow = (s: Stroke) => seconds(s.to) - seconds(s.from) > THROWN
  const sets = samples.find(
    (s) =>
      s.at >= seconds(first.from) + delay - 0.05 && Math.abs(s.height - before) > near(first.height - before),
  )
  const way = last.height - prior
  const there = samples.find(
    (s) =>
      s.at >= seconds(last.from) + delay + 0.03 && Math.sign(way) * (s.height - last.height) >= -near(way),
  )
  const lag = (2 * hand.damping) / hand.quickness
  return {
    start: slow(first) ? first.from + ticks(hand.delay + lag / 2) : ticks(sets?.at ?? 0),
    end: slow(last) ? last.to + ticks(hand.delay + lag) : ticks(there?.at ?? 0),
  }
}

/** All lines of a half: even seeds to work on, odd ones sealed. */
export function wholeLines(count: number, half: 'open' | 'sealed'): LabelledLine[] {
  const lines: LabelledLine[] = []
  for (let seed = half === 'open' ? 1000 : 1001; lines.length < count; seed += 2) {
    const line = wholeLine(seed)
    if (line) lines.push(line)
  }
  return lines
}
