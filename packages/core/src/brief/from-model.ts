import { lengthInWords, listText, words } from '@rudlo/words'
import { laneControlName, laneName, movesOfMix } from '../assess'
import type { Check, Values } from '../checks'
import { crossed, kindOf, startValues } from '../checks'
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
  const lasts = lengthInWords('bars', move.bars)
  if (resolve(mix, lane)!.control.scale.kind === 'switch') return switchTask(move, name, control, task, make)
  if (move.kind === 'sweep' && move.arrival - move.start < SUDDEN_TICKS)
    return jumpTask(move, name, control, task, make, start)
  switch (move.kind) {
    case 'fade in':
    case 'fade out': {
      const into = move.kind === 'fade in'
      return task(
        into ? words('task.fade', { name }) : words('task.let-go', { name }),
        into ? words('task.comes-out-nothing', { name }) : words('task.leaves-evenly-all', { name }),
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
          into ? words('task.listen-moment-when', { name }) : words('task.listen-very-end'),
          words('task.takes-about', { lasts }),
          words('task.one-point-where'),
        ],
      )
    }
    case 'dip':
    case 'lift': {
      const down = move.kind === 'dip'
      return task(
        down ? words('task.make-room-steps', { name }) : words('task.raise', { name }),
        down ? words('task.bring-down-time', { name }) : words('task.bring-forward-back', { name }),
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
          down ? words('task.listen-covers-up', { name }) : words('task.listen-whether-followed', { name }),
          words('task.before-moment-begins'),
          words('task.four-points-two'),
        ],
      )
    }
    case 'throw':
      return task(
        words('task.let-one-word'),
        words('task.open-moment-close', { control }),
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
        [words('task.listen-word-hangs'), words('task.open-just-before'), words('task.send-shut-opens')],
      )
    case 'sweep': {
      const far = Math.abs(scaleTravel(mix, lane, move.goal) - scaleTravel(mix, lane, move.from)) * 100
      return task(
        lane.endsWith('/pan') ? words('task.walks-across', { name }) : words('task.open-close', { control }),
        lane.endsWith('/pan')
          ? words('task.walks-one-side', { name })
          : words('task.let-take-time', { control }),
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
        [words('task.listen-where-eyes'), words('task.takes-about', { lasts }), words('task.one-point-each')],
      )
    }
    case 'build':
      return task(
        words('task.build', { name }),
        words('task.grows-all-way', { name }),
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
          words('task.listen-whether-each'),
          words('task.takes-about', { lasts }),
          words('task.low-high-arriving'),
        ],
      )
    case 'drop':
      return task(
        words('task.drop', { name }),
        words('task.falls-away-right', { name }),
        [
          make('drop', {
            lane,
            from: at(move.arrival),
            depth: Math.max(1, round(depth * 0.7, 0.5)),
            beats: 1,
          }),
        ],
        [words('task.listen-hole-leaves'), words('task.first-beat'), words('task.two-points-close')],
      )
    case 'jump up':
    case 'jump down':
      return jumpTask(move, name, control, task, make, start)
    default:
      return task(
        move.depth > 0 ? words('task.bring-up', { name }) : words('task.bring-down', { name }),
        words('task.changes-stays', { name, control }),
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
          words('task.listen-before-after'),
          words('task.takes-about', { lasts }),
          words('task.two-points-where'),
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
    words(move.depth > 0 ? 'task.up-at-once' : 'task.down-at-once', { name, control }),
    words('task.instant-one-place'),
    [make('jump', { lane: move.lane, from: start, way: move.depth > 0 ? 'up' : 'down', beats: 0.5 })],
    [words('task.listen-change'), words('task.beat'), words('task.hollow-note-head')],
  )
}

/** A switch that goes on or off, and back again if it does. */
function switchTask(move: Move, name: string, control: string, task: Task, make: Make): BriefTask {
  const { lane, start, end, depth, leaves, arrival } = move
  const ways = depth > 0 ? (['up', 'down'] as const) : (['down', 'up'] as const)
  const back = leaves > arrival
  return task(
    words(`task.switch-${depth > 0 ? 'on' : 'off'}${back ? '-back' : ''}`, { name, control }),
    back ? words('task.instant-back-instant') : words('task.instant-one-place'),
    [
      make('jump', { lane, from: start, way: ways[0], beats: 0.5 }),
      ...(back ? [make('jump', { lane, from: end, way: ways[1], beats: 0.5 })] : []),
    ],
    [words('task.listen-change'), words('task.beat'), words('task.hollow-note-head')],
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
    title: words('task.set-balance'),
    text: words('task.no-lines-yet', { tracks: listText(names) }),
    lanes,
    from: 0,
    to: song.length,
    checks: lanes.map((lane) => {
      const { setting } = resolve(model, lane)!
      const pan = lane.endsWith('/pan')
      const value = pan ? Math.round(setting * 100) : Math.max(-90, round(setting, 0.5))
      return check('position', song, model, lane, { lane, from: 0, value, tolerance: pan ? 20 : 3 }, freshId)
    }),
    hints: [words('task.close-eyes-sound'), words('task.begin-lead-then')],
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
  // as deep as the model's own, with a little room
  const { deep } = crossed(mix, [out.lane, out.from], [into.lane, into.to], { from, to })
  const hole = Math.min(40, Math.max(4, Math.ceil(deep + 1.5)))
  return {
    id: freshId(),
    title: words('task.out-comes', { name: name(a), other: name(b) }),
    text: words('task.one-leaves-while'),
    lanes: [trackLevel(a), trackLevel(b)],
    from,
    to,
    checks: [check('crossing', song, mix, out.lane, { leaves: a, comes: b, from, to, hole }, freshId)],
    hints: [words('task.listen-middle-does'), words('task.both-move-over'), words('task.lines-cross-middle')],
    weight: 1,
  }
}
