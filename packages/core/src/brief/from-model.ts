import { listText, barsText, laneControlName, laneName, movesOfMix } from '../assess'
import type { Check, Values } from '../checks'
import { kindOf, startValues } from '../checks'
import { envelopeOf, resolve, trackLevel, type Mix } from '../mix'
import type { Move } from '../moves'
import { songTime, type SongVersion } from '../song'
import type { BriefTask } from './brief'
import { proved } from './prove-task'

/** Makes ids: a counter in tests, something random elsewhere. */
export type FreshId = () => string

/** Nearest multiple of a beat, so that what is proposed reads as music. */
function onBeat(song: SongVersion, tick: number): number {
  const { meter } = songTime(song)
  const { bar } = meter.placeAt(tick)
  const start = meter.barStart(bar)
  const { beat } = meter.lengthsAt(tick)
  return Math.min(song.length, Math.round(start + Math.round((tick - start) / beat) * beat))
}

/**
 * Proposes tasks from a mix as it should be: one for each move that the starting mix does not have, and one for what is set
 * otherwise, with checks whose tolerances a careful beginner can meet. Each is proved before it is shown. The teacher corrects them.
 * @returns in order of time
 */
export function tasksFromModel(song: SongVersion, start: Mix, model: Mix, freshId: FreshId): BriefTask[] {
  const drawn = movesOfMix(song, model).filter(({ lane }) => {
    const points = (mix: Mix) => JSON.stringify(envelopeOf(mix, lane)?.points ?? [])
    return points(model) !== points(start)
  })
  const moves = drawn.filter((m) => !isWobble(m, model)).sort((a, b) => a.start - b.start)
  const pairs = crossings(moves)
  const crossed = new Set(pairs.flat())
  const settings = settingsTask(song, start, model, freshId)
  return [
    ...moves.filter((m) => !crossed.has(m)).map((m) => taskOf(m, song, model, freshId)),
    ...pairs.map(([out, into]) => crossingTask(out, into, song, model, freshId)),
    ...(settings ? [settings] : []),
  ]
    .flatMap((task) => proved(task, { song, start, model }) ?? [])
    .sort((a, b) => a.from - b.from)
}

/** What only makes up for something small is no task of its own. */
const isWobble = ({ lane, depth, kind }: Move, mix: Mix) => {
  const scale = resolve(mix, lane)!.control.scale
  return scale.kind === 'level' && Math.abs(depth) < 1.5 && kind !== 'sweep'
}

/** Pairs of a track that leaves while another comes in. */
function crossings(moves: readonly Move[]): (readonly [Move, Move])[] {
  return moves
    .filter((m) => m.kind === 'fade out')
    .flatMap((out) => {
      const into = moves.find(
        (m) =>
          m.kind === 'fade in' &&
          m.lane !== out.lane &&
          Math.min(m.end, out.end) - Math.max(m.start, out.start) > (out.end - out.start) / 2,
      )
      const tracks = [out, into].every((m) => m && /^track\/[^/]+\/level$/.test(m.lane))
      return into && tracks ? [[out, into] as const] : []
    })
}

function check(
  kind: string,
  song: SongVersion,
  mix: Mix,
  lane: string,
  values: Values,
  freshId: FreshId,
): Check {
  const found = kindOf(kind)
  const start = startValues(found, { song, mix, lane, from: 0, to: song.length })
  return { id: freshId(), kind, values: { ...start, ...values } }
}

const round = (value: number, to: number) => Math.round(value / to) * to

function taskOf(move: Move, song: SongVersion, mix: Mix, freshId: FreshId): BriefTask {
  const { lane } = move
  const name = laneName(song, mix, lane).split(',')[0]!
  const control = laneControlName(mix, lane)
  const percent = resolve(mix, lane)!.control.scale.kind === 'linear'
  const at = (tick: number) => onBeat(song, tick)
  const [start, end, arrival, leaves] = [move.start, move.end, move.arrival, move.leaves].map(at) as [
    number,
    number,
    number,
    number,
  ]
  const make = (kind: string, values: Values) => check(kind, song, mix, lane, values, freshId)
  const depth = round(Math.abs(move.depth), 0.5)
  const tolerance = Math.max(1.5, round(depth * 0.35, 0.5))
  const { bar, beat } = songTime(song).meter.lengthsAt(start)
  const around = {
    from: Math.max(0, start - bar),
    to: Math.min(song.length, Math.max(end, start + 480) + bar),
  }
  const task = (title: string, text: string, checks: Check[], hints: string[]): BriefTask => ({
    id: freshId(),
    title,
    text,
    lanes: [lane],
    ...around,
    checks,
    hints,
    weight: 1,
  })
  const lasts = barsText(move.bars)
  if (resolve(mix, lane)!.control.scale.kind === 'switch') return switchTask(move, name, control, task, make)
  if (move.kind === 'sweep' && move.arrival - move.start < SUDDEN_TICKS)
    return jumpTask(move, name, control, task, make, start)
  switch (move.kind) {
    case 'fade in':
    case 'fade out': {
      const into = move.kind === 'fade in'
      return task(
        into ? `Fade ${name} in` : `Let ${name} go`,
        into
          ? `${name} comes out of nothing. Nobody should notice the moment it begins.`
          : `${name} leaves evenly, all the way to silence.`,
        [
          make(move.kind, {
            lane,
            from: start,
            to: end,
            beats: 1.5,
            even: Math.max(18, Math.ceil(move.unevenness * 100) + 12),
          }),
        ],
        [
          into
            ? `Listen for the moment when you first hear ${name}.`
            : `Listen to the very end with your eyes closed.`,
          `It takes about ${lasts}.`,
          'One point where it begins, one where it is over.',
        ],
      )
    }
    case 'dip':
    case 'lift': {
      const down = move.kind === 'dip'
      return task(
        down ? `Make room: ${name} steps back` : `Raise ${name}`,
        down
          ? `Bring ${name} down in time, and give it back when the moment is over.`
          : `Bring ${name} forward, and back again when its moment is over.`,
        percent
          ? [
              make('position', { lane, from: arrival, value: round(move.goal * 100, 1), tolerance: 15 }),
              make('returns', { lane, from: start, to: end, tolerance: 6 }),
            ]
          : [
              make(move.kind, {
                lane,
                from: arrival,
                // a V turns round where it arrives
                to: Math.max(leaves, arrival + beat / 2),
                depth: Math.max(1, depth),
                tolerance: Math.min(tolerance, Math.max(0.5, depth - 0.5)),
                beats: 1,
              }),
            ],
        [
          down ? `Listen to what ${name} covers up.` : `Listen whether ${name} can be followed.`,
          `It has to be there before the moment begins, and come back after it.`,
          'Four points: two to go, two to come back.',
        ],
      )
    }
    case 'throw':
      return task(
        'Let one word echo',
        `Open ${control} for a moment only, and close it again.`,
        [
          make('throw', {
            lane,
            from: arrival,
            to: at(Math.max(end, move.arrival + 240)),
            least: percent
              ? Math.max(10, round(move.goal * 100 - 20, 5))
              : Math.max(-60, round(move.goal - 6, 1)),
            beats: 1,
          }),
        ],
        [
          'Listen for the word that hangs in the air.',
          'Open it just before the word, close it just after.',
          'The send is shut, opens, and is shut again.',
        ],
      )
    case 'sweep': {
      const far = Math.abs(scaleTravel(mix, lane, move.goal) - scaleTravel(mix, lane, move.from)) * 100
      return task(
        lane.endsWith('/pan') ? `${name} walks across` : `Open and close: ${control}`,
        lane.endsWith('/pan')
          ? `${name} walks from one side of the room to the other.`
          : `Let ${control} take its time.`,
        [
          make('sweep', {
            lane,
            from: start,
            to: arrival,
            way: move.depth > 0 ? 'up' : 'down',
            least: Math.max(5, Math.floor(far * 0.75)),
            beats: 2,
          }),
        ],
        ['Listen where it is, with your eyes closed.', `It takes about ${lasts}.`, 'One point at each end.'],
      )
    }
    case 'build':
      return task(
        `Build with ${name}`,
        `${name} grows all the way and arrives with the next part.`,
        [
          make('build', {
            from: start,
            to: end,
            by: 'loudness',
            least: Math.max(1, round(Math.min(Math.abs(move.depth), 40) * 0.4, 0.5)),
            steady: 60,
          }),
        ],
        [
          'Listen whether each bar is a little more than the one before.',
          `It takes about ${lasts}.`,
          'From low to high, arriving on the first beat.',
        ],
      )
    case 'drop':
      return task(
        `Drop ${name}`,
        `${name} falls away right where the next part begins.`,
        [
          make('drop', {
            lane,
            from: at(move.arrival),
            depth: Math.max(1, round(depth * 0.7, 0.5)),
            beats: 1,
          }),
        ],
        ['Listen to the hole that it leaves.', 'On the first beat.', 'Two points close together.'],
      )
    case 'jump up':
    case 'jump down':
      return jumpTask(move, name, control, task, make, start)
    default:
      return task(
        move.depth > 0 ? `Bring ${name} up` : `Bring ${name} down`,
        `${name}, ${control}, changes here and stays.`,
        percent || resolve(mix, lane)!.control.scale.kind === 'log'
          ? [
              make('position', {
                lane,
                from: arrival,
                value: positionValue(mix, lane, move.to),
                tolerance: positionTolerance(mix, lane, move.to),
              }),
            ]
          : [
              make('position', {
                lane,
                from: Math.min(song.length, arrival + 240),
                value: Math.max(-90, round(move.to, 0.5)),
                tolerance: 2.5,
              }),
            ],
        [
          'Listen to before and after.',
          `It takes about ${lasts}.`,
          'Two points: where it leaves, where it arrives.',
        ],
      )
  }
}

type Task = (title: string, text: string, checks: Check[], hints: string[]) => BriefTask
type Make = (kind: string, values: Values) => Check

/** Less is an instant, in ticks. */
const SUDDEN_TICKS = 60

/** A change in an instant. */
function jumpTask(
  move: Move,
  name: string,
  control: string,
  task: Task,
  make: Make,
  start: number,
): BriefTask {
  return task(
    `${name}: ${control} ${move.depth > 0 ? 'up' : 'down'} at once`,
    `In an instant, at one place.`,
    [make('jump', { lane: move.lane, from: start, way: move.depth > 0 ? 'up' : 'down', beats: 0.5 })],
    ['Listen for the change.', 'On the beat.', 'A hollow note head jumps.'],
  )
}

/** A switch that goes on or off, and back again if it does. */
function switchTask(move: Move, name: string, control: string, task: Task, make: Make): BriefTask {
  const { lane, start, end, depth, leaves, arrival } = move
  const ways = depth > 0 ? (['up', 'down'] as const) : (['down', 'up'] as const)
  const back = leaves > arrival
  return task(
    `${name}: ${control} ${depth > 0 ? 'on' : 'off'}${back ? ', and back' : ''}`,
    back ? 'In an instant, and back in an instant.' : 'In an instant, at one place.',
    [
      make('jump', { lane, from: start, way: ways[0], beats: 0.5 }),
      ...(back ? [make('jump', { lane, from: end, way: ways[1], beats: 0.5 })] : []),
    ],
    ['Listen for the change.', 'On the beat.', 'A hollow note head jumps.'],
  )
}

/** Settings further apart than this are meant, in travel. */
const SET_OTHERWISE = 0.03
/** No more checks than these in one task. */
const MOST_SETTINGS = 8

/** What is set otherwise than in the starting mix, with no line in charge of it; null where nothing is. */
function settingsTask(song: SongVersion, start: Mix, model: Mix, freshId: FreshId): BriefTask | null {
  const lanes = song.tracks
    .flatMap((t) => [trackLevel(t.id), `track/${t.id}/pan`])
    .filter((lane) => {
      const [now, before] = [resolve(model, lane), resolve(start, lane)]
      if (!now || !before || envelopeOf(model, lane)?.points.length) return false
      const { scale } = now.control
      return Math.abs(scale.toTravel(now.setting) - scale.toTravel(before.setting)) > SET_OTHERWISE
    })
    .slice(0, MOST_SETTINGS)
  if (!lanes.length) return null
  const names = [...new Set(lanes.map((lane) => laneName(song, model, lane).split(',')[0]!))]
  return {
    id: freshId(),
    title: 'Set the balance',
    text: `No lines yet. Set ${listText(names)} so that everything can be heard.`,
    lanes,
    from: 0,
    to: song.length,
    checks: lanes.map((lane) => {
      const { setting } = resolve(model, lane)!
      const pan = lane.endsWith('/pan')
      const value = pan ? Math.round(setting * 100) : Math.max(-90, round(setting, 0.5))
      return check('position', song, model, lane, { lane, from: 0, value, tolerance: pan ? 20 : 3 }, freshId)
    }),
    hints: [
      'Close your eyes: which sound do you have to search for?',
      'Begin with the lead, then one after the other.',
    ],
    weight: 1,
  }
}

const scaleTravel = (mix: Mix, lane: string, value: number) =>
  resolve(mix, lane)!.control.scale.toTravel(value)

function positionValue(mix: Mix, lane: string, value: number): number {
  return resolve(mix, lane)!.control.scale.kind === 'linear' ? Math.round(value * 100) : Math.round(value)
}

function positionTolerance(mix: Mix, lane: string, value: number): number {
  return resolve(mix, lane)!.control.scale.kind === 'linear'
    ? 15
    : Math.min(5000, Math.max(20, Math.round(value * 0.3)))
}

function crossingTask(out: Move, into: Move, song: SongVersion, mix: Mix, freshId: FreshId): BriefTask {
  const [a, b] = [out, into].map((m) => m.lane.split('/')[1]!) as [string, string]
  const name = (id: string) => song.tracks.find((t) => t.id === id)?.name ?? id
  const from = onBeat(song, Math.min(out.start, into.start))
  const to = onBeat(song, Math.max(out.end, into.end))
  return {
    id: freshId(),
    title: `${name(a)} out as ${name(b)} comes in`,
    text: `One leaves while the other comes. There is no hole between them.`,
    lanes: [trackLevel(a), trackLevel(b)],
    from,
    to,
    checks: [check('crossing', song, mix, out.lane, { leaves: a, comes: b, from, to, hole: 15 }, freshId)],
    hints: [
      'Listen to the middle: does it get empty?',
      'Both move over the same bars.',
      'The lines cross in the middle.',
    ],
    weight: 1,
  }
}
