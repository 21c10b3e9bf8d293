import { laneName, movesOfMix } from '@rudlo/core/assess'
import { begun, type LineSpan, type Points } from '@rudlo/core/envelope'
import { allLanes, envelopeOf, resolve, withPoints, type Mix } from '@rudlo/core/mix'
import { PassWriter, type Way } from '@rudlo/core/pass'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import type { Step } from '../../document/history'
import { useWork } from '../../document/work-store'
import { WAY_COMMANDS } from './pass-words'
import { t } from '../../words/t'

/** The longest that a glide may take, in ms. */
export const LONGEST_GLIDE = 2000
/** A control that is moved by keys or a wheel counts as held for so long after the last move, in ms. */
const TAP_MS = 450
/** How far the hand's value is laid ahead of the place that is heard, in seconds. */
const AHEAD = 0.6

/** The place that is heard never goes further than this from one look to the next, in seconds: it was changed by hand. */
const LONGEST_STEP = 1

/** An event is never laid further after the place that was heard last than this, in seconds: a frame that took long. */
const LONGEST_FRAME = 0.1

/** A control in a pass. */
interface Written {
  writer: PassWriter
  /** The tick that its writer was told last: these only rise. */
  told: number
  held: boolean
  value: number
}

/** What one pass wrote on one lane. */
export interface PassLaneSummary {
  readonly address: string
  readonly name: string
  readonly spans: readonly LineSpan[]
  readonly points: number
  /** Points that were there before and are not any more. */
  readonly overwritten: number
  readonly inBrief: boolean
  readonly after: Points
}

/** What a pass wrote, until it is kept or taken back. */
export interface PassSummary {
  readonly step: Step
  readonly lanes: readonly PassLaneSummary[]
}

/** Writing lines by moving controls while the song plays. Everything between play and stop is one step. */
export const usePass = defineStore('pass', () => {
  const work = useWork()
  const desk = useDesk()
  const player = usePlayer()
  /** How the hand writes, by track or return; under the empty name for all that have no way of their own. */
  const ways = shallowRef<Readonly<Record<string, Way>>>({})
  const glide = ref(250)
  const shiftStays = ref(false)
  /** Whether a loop is written for one round only. */
  const oneRound = ref(false)
  const summary = shallowRef<PassSummary | null>(null)
  /** The lanes that are being written on. */
  const writing = shallowRef<readonly string[]>([])
  /** Asked before moves are gone over: how many there are. Null where nothing is asked. */
  const asked = ref<number | null>(null)

  const controls = new Map<string, Written>()
  /** What rounds of a loop have written so far. */
  const rounds = new Map<string, { readonly points: Points; readonly spans: readonly LineSpan[] }>()
  let base: Mix | null = null
  let allowed = false
  let over = false
  let last = -1
  /** When the place that is heard was looked at last, as events say the time. */
  let lookedAt = performance.now()

  const wayOf = (address: string): Way => {
    const owner = work.mix ? resolve(work.mix, address)?.owner : null
    return ways.value[owner ?? 'main'] ?? ways.value[''] ?? 'follow'
  }
  /** Whether any hand writes on anything. */
  const active = computed(() => Object.values(ways.value).some((w) => w !== 'follow'))

  function choose(owner: string, way: Way): void {
    ways.value = owner ? { ...ways.value, [owner]: way } : { '': way }
  }

  /** Whether a hand that takes a control now writes. */
  const takes = (address: string) => player.playing && player.moves && wayOf(address) !== 'follow'

  const nameOf = (address: string) => laneName(desk.song!, work.mix!, address)

  /** Takes a control in hand. @returns false where its lane is locked: that is said */
  function grab(address: string, value: number): boolean {
    if (!desk.isOpen(address)) {
      work.notice = t('pass.locked', { lane: nameOf(address) })
      desk.touch(address)
      return false
    }
    if (over) return false
    const entry = controls.get(address) ?? begin(address)
    if (!entry) return false
    entry.held = true
    entry.value = value
    feed(entry)
    return true
  }

  const holds = (address: string) => controls.get(address)?.held === true

  /** Moves a control that is held. @param stamp when the hand was there, as an event says it */
  function move(address: string, value: number, stamp = performance.now()): void {
    const entry = controls.get(address)
    if (!entry) return
    entry.value = value
    // it is shown with the next frame, together with whatever else is held
    feed(entry, placeAt(stamp))
  }

  /** The place that was heard at a time between two looks. */
  function placeAt(stamp: number): number {
    const since = Math.min(LONGEST_FRAME, Math.max(0, (stamp - lookedAt) / 1000))
    return player.playing ? later(player.position, since) : player.position
  }

  function release(address: string): void {
    const entry = controls.get(address)
    if (!entry) return
    entry.held = false
    feed(entry)
    show()
  }

  const taps = new Map<string, ReturnType<typeof setTimeout>>()

  /** Moves a control that cannot be held, by a key or a wheel. */
  function tap(address: string, from: number, to: number): void {
    if (!holds(address) && !grab(address, from)) return
    move(address, to)
    clearTimeout(taps.get(address))
    taps.set(
      address,
      setTimeout(() => release(address), TAP_MS),
    )
  }

  function begin(address: string): Written | null {
    work.begin()
    base ??= work.mix
    const found = base && resolve(base, address)
    if (!base || !found) return null
    const { scale } = found.control
    const points = rounds.get(address)?.points ?? envelopeOf(base, address)?.points ?? []
    const lane = { points: begun(points, scale, found.setting), scale, setting: found.setting }
    const writer = new PassWriter(lane, {
      way: wayOf(address),
      glideEnd: (tick) => later(tick, glide.value / 1000),
      shiftStays: shiftStays.value,
    })
    const entry: Written = { writer, told: -1, held: false, value: found.setting }
    // the machine learns where the control was before the hand came
    const line = envelopeOf(work.mix!, address)
    if (line?.points.length) entry.value = desk.valueAt(address, player.position)
    feed(entry)
    controls.set(address, entry)
    return entry
  }

  function later(tick: number, seconds: number): number {
    const { tempo } = player.heardTime ?? desk.time!
    return Math.round(tempo.tickAt(tempo.secondsAt(tick) + seconds))
  }

  function feed(entry: Written, place = player.position): void {
    entry.told = Math.max(entry.told, Math.round(place))
    entry.writer.feed(entry.told, entry.held, entry.value)
  }

  /** Shows and sounds what is written so far. */
  function show(): void {
    const ahead = later(player.position, AHEAD) - player.position
    const lines = new Map<string, Points>([...rounds].map(([address, { points }]) => [address, points]))
    for (const [address, { writer }] of controls)
      if (writer.wrote) lines.set(address, writer.preview(ahead).points)
    if (!lines.size) return
    work.previewMix((mix) => withLines(mix, lines))
    const now = [...controls].filter(([, c]) => c.writer.writing).map(([address]) => address)
    if (now.join() !== writing.value.join()) writing.value = now
  }

  const withLines = (mix: Mix, lines: ReadonlyMap<string, Points>): Mix =>
    [...lines].reduce(
      (m, [address, points]) => withPoints(m, address, points, () => crypto.randomUUID()),
      mix,
    )

  /** The lanes that a pass from play to stop writes on without a hand. */
  const throughout = () =>
    work.mix ? allLanes(work.mix).filter((a) => wayOf(a) === 'throughout' && desk.isOpen(a)) : []

  function start(): void {
    over = false
    last = -1
    const lanes = throughout()
    const moves = lanes.length ? movesOn(lanes) : 0
    if (moves && !allowed) {
      player.stop()
      asked.value = moves
      return
    }
    allowed = false
    summary.value = null
    for (const address of lanes) begin(address)
  }

  const movesOn = (lanes: readonly string[]) =>
    movesOfMix(desk.song!, work.mix!).filter((m) => lanes.includes(m.lane)).length

  /** A spot that is being repaired, with the ways that the hand had before. */
  let repairing: { readonly end: number; readonly ways: Readonly<Record<string, Way>> } | null = null

  /**
   * Repairs one spot: plays from two bars before it; what is held is written; after it everything stops and the hand
   * writes as it did before.
   */
  function repair(spot: LineSpan): void {
    const { meter } = desk.time!
    const bar = (tick: number) => meter.placeAt(Math.max(0, tick)).bar
    repairing = { end: meter.barStart(bar(spot.to - 1) + 2), ways: ways.value }
    ways.value = { '': 'hold' }
    player.setLoop(player.loop, false)
    player.seek(meter.barStart(Math.max(1, bar(spot.from) - 2)))
    work.notice = t('pass.repair')
    void player.play()
  }

  /** Ends the pass under way at this moment, though the song plays on; what it wrote is kept. */
  function end(): void {
    if (base) stop(player.position)
    over = true
  }

  /** Lets every hand follow only: another work is opened, or this one is handed in. A pass under way ends and is kept. */
  function reset(): void {
    if (base) stop(player.position)
    ways.value = {}
    summary.value = null
    asked.value = null
    repairing = null
  }

  /** The answer to what was asked before moves are gone over. */
  function answer(yes: boolean): void {
    asked.value = null
    allowed = yes
    if (yes) void player.play()
  }

  /** The place jumped: what was being written ends where it was, and begins anew where it is now. */
  function turnRound(round: boolean): void {
    const end = round ? player.loop!.to : last
    for (const [address, entry] of [...controls]) {
      finishRound(address, entry, end)
      controls.delete(address)
      if (entry.held && !(round && oneRound.value)) grab(address, entry.value)
    }
    over = round && oneRound.value
    if (!over) for (const address of throughout()) if (!controls.has(address)) begin(address)
  }

  function finishRound(address: string, { writer }: Written, at: number): void {
    if (!writer.wrote) return
    const { points, spans } = writer.finish(Math.round(at))
    rounds.set(address, { points, spans: [...(rounds.get(address)?.spans ?? []), ...spans] })
  }

  function stop(at: number): void {
    for (const timer of taps.values()) clearTimeout(timer)
    for (const [address, entry] of controls) finishRound(address, entry, at)
    controls.clear()
    writing.value = []
    const before = base
    base = null
    const written = new Map([...rounds].filter(([, { spans }]) => spans.length))
    rounds.clear()
    if (!before) return
    if (!written.size) return work.cancel()
    const lines = new Map([...written].map(([address, { points }]) => [address, points]))
    work.previewMix((mix) => withLines(mix, lines))
    const spans = [...written.values()].flatMap((w) => w.spans)
    const addresses = [...written.keys()]
    const way = wayOf(addresses[0]!)
    work.commit({
      label: t('pass.did', { lanes: addresses.map(nameOf).join(', ') }),
      lanes: addresses,
      from: Math.min(...spans.map((s) => s.from)),
      to: Math.max(...spans.map((s) => s.to)),
      how: way === 'follow' ? 'hand' : WAY_COMMANDS[way],
    })
    const step = work.history.done.at(-1)
    if (step) summary.value = { step, lanes: addresses.map((a) => summarise(before, a, written.get(a)!)) }
    // what writes everything goes back to following by itself
    const safe = Object.entries(ways.value).map(([o, w]) => [o, w === 'throughout' ? 'follow' : w] as const)
    ways.value = Object.fromEntries(safe)
  }

  function summarise(
    before: Mix,
    address: string,
    { points, spans }: { readonly points: Points; readonly spans: readonly LineSpan[] },
  ): PassLaneSummary {
    const old = envelopeOf(before, address)?.points ?? []
    const inside = (tick: number) => spans.some((s) => tick >= s.from && tick <= s.to)
    return {
      address,
      name: nameOf(address),
      spans,
      points: points.filter((p) => inside(p.tick)).length,
      overwritten: old.filter((p) => inside(p.tick)).length,
      inBrief: desk.isInBrief(address),
      after: points,
    }
  }

  /** Keeps only some of the lanes that a pass wrote. */
  function keepOnly(addresses: ReadonlySet<string>): void {
    const made = summary.value
    if (!made) return
    const kept = made.lanes.filter((l) => addresses.has(l.address))
    summary.value = null
    if (kept.length === made.lanes.length) return
    if (!kept.length) return work.undo()
    const lines = new Map(kept.map((l) => [l.address, l.after]))
    work.amend(made.step, (mix) => withLines(mix, lines), {
      label: t('pass.did', { lanes: kept.map((l) => l.name).join(', ') }),
      lanes: kept.map((l) => l.address),
      from: made.step.from,
      to: made.step.to,
    })
  }

  watch(
    () => player.playing,
    (playing) => {
      if (!work.mix) return
      if (playing) return start()
      stop(player.position)
      if (repairing) ways.value = repairing.ways
      repairing = null
    },
  )
  watch(
    () => player.position,
    (tick) => {
      lookedAt = performance.now()
      if (repairing && player.playing && tick >= repairing.end) player.stop()
      if (!player.playing || !controls.size) {
        last = tick
        return
      }
      const jumped = tick < last - 1 || tick > later(last, LONGEST_STEP)
      const { loop } = player
      // round the loop, or to another place by hand: only the first one is written to the loop's end
      if (jumped)
        turnRound(player.looping && loop !== null && tick < last && last < loop.to && last >= loop.from)
      last = tick
      for (const entry of controls.values()) feed(entry)
      show()
    },
  )
  // whatever else is done after a pass: its summary is over
  watch(
    () => work.history.done.at(-1),
    (newest) => {
      if (summary.value && newest !== summary.value.step) summary.value = null
    },
    { flush: 'post' },
  )

  return {
    ways,
    wayOf,
    active,
    choose,
    glide,
    shiftStays,
    oneRound,
    summary,
    writing,
    asked,
    answer,
    takes,
    holds,
    grab,
    move,
    release,
    tap,
    keepOnly,
    repair,
    end,
    reset,
  }
})
