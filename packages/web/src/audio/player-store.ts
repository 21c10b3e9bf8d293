import type { MixLoudness } from '@rudlo/core/assess'
import { compileMix, type Program, type Solo } from '@rudlo/core/engine'
import { type InstantLoudness } from '@rudlo/core/instant'
import { gainOfDb } from '@rudlo/core/maths'
import { dbfs, integratedLoudness, loudnessTrace, lufsOfEnergy } from '@rudlo/core/loudness'
import { isColoured, plainMix, type Mix } from '@rudlo/core/mix'
import { songTime, type SongTime, type SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { loadAudio } from './asset-loader'
import { DropoutWatch } from './dropout-watch'
import { EngineHost, prepareContext } from './engine-host'
import { InstantHost, isDry, isRecorded } from './instant-host'
import { useListening } from './listening-store'
import { MixMeter } from './mix-meter'
import { PeakHold, PeakHolds, SILENT, type HeldPeak } from './peak-hold'

/** Longest wait for the audio thread to take a change of place over. */
const SEEK_MS = 400

/** A stretch to play round and round, in ticks. */
export interface LoopTicks {
  readonly from: number
  readonly to: number
}

const NOBODY: Solo = { tracks: [], returns: [] }

/** The song that is open: its sound, its place, its meters. */
export const usePlayer = defineStore('player', () => {
  /** Share of the audio that is loaded; 1 when it can play. */
  const progress = ref(0)
  const ready = ref(false)
  const failure = ref<string | null>(null)
  const playing = ref(false)
  /** Ticks, as heard. */
  const position = ref(0)
  const seconds = ref(0)
  const loop = shallowRef<LoopTicks | null>(null)
  const looping = ref(false)
  const moves = ref(true)
  const listening = useListening()
  /** Whether the sound has just stuttered: the machine does not keep up. */
  const stuttered = ref(false)
  const watcher = new DropoutWatch()
  /** Beats still to be counted before it plays. */
  const counting = ref(0)
  /** LUFS of the last 400 ms and of the last 3 s; −Infinity for silence. */
  const loudness = ref(-Infinity)
  const shortTerm = ref(-Infinity)
  const peak = shallowRef<HeldPeak>(SILENT)
  const trackPeaks = shallowRef<readonly HeldPeak[]>([])
  const returnPeaks = shallowRef<readonly HeldPeak[]>([])
  const holds = { main: new PeakHold(), tracks: new PeakHolds(), returns: new PeakHolds() }
  /** The loudness of the mix: at once where the table gives it, else as soon as it is rendered. */
  const measured = shallowRef<Pick<MixLoudness, 'momentary' | 'integrated'> | null>(null)
  /** Share done of a measurement that takes a while; null where none does. */
  const measuring = ref<number | null>(null)
  /** Highest true peak of the whole mix in dBTP, as it was rendered last; null while it is not known. */
  const truePeak = ref<number | null>(null)
  /** Hops of 100 ms in which the mix was too hot when it was rendered last. */
  const overs = shallowRef<readonly number[]>([])
  /** Loudness of tracks with effects by themselves, by id, as they were rendered last. */
  const apart = shallowRef<ReadonlyMap<string, Float64Array>>(new Map())
  const instant = shallowRef<InstantLoudness | null>(null)
  /** What is listened to alone. Belongs to the session, never to the mix. */
  const solo = shallowRef<Solo>(NOBODY)

  let host: EngineHost | null = null
  let meter: MixMeter | null = null
  let table: InstantHost | null = null
  let program: Program | null = null
  let time: SongTime | null = null
  let song: SongVersion | null = null
  let mix: Mix | null = null
  /** The song as it was recorded: what the table of instant loudness is made of. */
  let recorded: Mix | null = null
  let frame = 0
  let opened = 0
  /** Where a change of place was asked for that the audio thread has not made yet, and until when to wait for it. */
  let awaited: { readonly sample: number; readonly until: number } | null = null
  let measureTimer: ReturnType<typeof setTimeout> | undefined

  /** Starts to fetch and decode a song's audio before its mix is known. */
  function prepare(coming: SongVersion): void {
    loadAudio(coming.assets, () => null).catch(() => null)
    prepareContext().catch(() => null)
  }

  /** Opens a song with a mix; whatever was open is closed. Comes back when it can play. */
  async function open(newSong: SongVersion, newMix: Mix): Promise<void> {
    await close()
    const mine = ++opened
    song = newSong
    mix = newMix
    recorded = plainMix(newSong)
    time = songTime(newSong)
    failure.value = null
    try {
      const audio = await loadAudio(newSong.assets, (share) => mine === opened && (progress.value = share))
      if (mine !== opened) return
      program = compileMix(newSong, mix)
      const made = await EngineHost.create(program, audio)
      if (mine !== opened) return void made.close()
      host = made
      host.listen(listening.now)
      meter = new MixMeter(newSong, audio, takeMeasured, (share) => (measuring.value = share))
      meter.measure(mix)
      table = new InstantHost(newSong, audio, (made) => {
        instant.value = made
        measureAtOnce()
      })
      ready.value = true
      look()
    } catch (error) {
      if (mine === opened) failure.value = (error as Error).message
    }
  }

  /** Takes a changed mix over, while playing or not. */
  function load(next: Mix): void {
    mix = next
    if (!song) return
    program = compileMix(song, next)
    host?.load(program)
    measureAtOnce()
    clearTimeout(measureTimer)
    measureTimer = setTimeout(() => mix && meter?.measure(mix), 500)
  }

  /** Whether the table gives the loudness of the mix, so that nothing has to be rendered for it. */
  const isCovered = () => instant.value !== null && mix !== null && recorded !== null && isDry(mix, recorded)

  function takeMeasured(loudness: MixLoudness): void {
    truePeak.value = loudness.truePeak
    overs.value = loudness.overs
    apart.value = loudness.apart
    // a render that was under way is older than what the table says
    if (!isCovered()) measured.value = loudness
  }

  function measureAtOnce(): void {
    if (!isCovered() || !instant.value || !program) return
    const hops = instant.value.hops(program)
    measured.value = { momentary: loudnessTrace(hops, 4), integrated: integratedLoudness(hops) }
  }

  /**
   * Loudness of one track by itself every 100 ms in LUFS, after its pan: at once where the table gives it, as it was
   * rendered last where the track has effects; null where it is not known.
   */
  function trackTrace(index: number): Float64Array | null {
    const track = mix?.tracks[index]
    if (!program || !mix || !track) return null
    if (isColoured(mix, track)) return apart.value.get(track.id) ?? null
    if (!instant.value) return null
    if (!isRecorded(track, recorded?.tracks[index])) return null
    return loudnessTrace(instant.value.hops(program, moves.value, index), 4)
  }

  /** Loudness of one track by itself between two ticks, in LUFS, without effects; null for silence or not known. */
  function trackLoudness(index: number, from: number, to: number): number | null {
    if (!instant.value || !program || !time) return null
    const hop = (tick: number) => Math.round(time!.tempo.secondsAt(tick) * 10)
    return integratedLoudness(instant.value.hops(program, moves.value, index).subarray(hop(from), hop(to)))
  }

  function setSolo(next: Solo): void {
    solo.value = next
    host?.solo(next)
  }

  /** Listens to one more track or return alone, or to it no longer; `only` lets go of the others. */
  function toggleSolo(kind: 'tracks' | 'returns', id: string, only: boolean): void {
    const has = solo.value[kind].includes(id)
    if (only) return setSolo(has ? NOBODY : { ...NOBODY, [kind]: [id] })
    const list = has ? solo.value[kind].filter((other) => other !== id) : [...solo.value[kind], id]
    setSolo({ ...solo.value, [kind]: list })
  }

  async function close(): Promise<void> {
    opened++
    cancelAnimationFrame(frame)
    clearTimeout(measureTimer)
    const old = host
    host = null
    meter?.close()
    meter = null
    table?.close()
    table = null
    program = null
    instant.value = null
    solo.value = NOBODY
    ready.value = false
    playing.value = false
    progress.value = 0
    position.value = 0
    seconds.value = 0
    loop.value = null
    looping.value = false
    moves.value = true
    measured.value = null
    truePeak.value = null
    overs.value = []
    apart.value = new Map()
    forgetOver()
    await old?.close()
  }

  /** Reads the shared state once a frame. */
  function look(): void {
    frame = requestAnimationFrame(look)
    if (!host || !time) return
    const { state } = host
    playing.value = state.playing
    keepWatch(host.clock)
    if (isAwaited(state.position)) return
    const heard = state.position / SAMPLE_RATE - (state.playing ? lateness() : 0)
    const at = Math.max(loopStart(), heard)
    if (at !== seconds.value) {
      seconds.value = at
      position.value = Math.min(time.length, time.tempo.tickAt(at))
    }
    counting.value = state.counting
    loudness.value = lufsOfEnergy(state.energy)
    shortTerm.value = lufsOfEnergy(state.shortTerm)
    const clock = performance.now()
    peak.value = holds.main.follow(dbfs(Math.max(state.peak('left'), state.peak('right'))), clock)
    returnPeaks.value = holds.returns.follow(
      (mix?.returns ?? []).map((_, i) => dbfs(state.returnPeak(i))),
      clock,
    )
    trackPeaks.value = holds.tracks.follow(
      song!.tracks.map((_, i) => dbfs(state.trackPeak(i))),
      clock,
    )
  }

  let stutterEnds: ReturnType<typeof setTimeout> | undefined

  /** Says so where the sound falls behind the clock while it plays. A page that was hidden starts afresh. */
  function keepWatch(clock: number): void {
    if (!playing.value || document.hidden) return watcher.reset()
    if (!watcher.follow(clock, performance.now())) return
    stuttered.value = true
    clearTimeout(stutterEnds)
    stutterEnds = setTimeout(() => (stuttered.value = false), 6000)
  }

  /** Takes every "over" back, once somebody has seen it. */
  function forgetOver(): void {
    holds.main.forget()
    holds.tracks.forget()
    holds.returns.forget()
  }

  /** Seconds between the engine and the ear, headphones included. */
  const lateness = () => (host?.latency ?? 0) + listening.delay / 1000

  watch(
    () => listening.now,
    (now) => host?.listen(now),
  )

  /** Whether the audio thread still stands where it was before a change of place. */
  function isAwaited(sample: number): boolean {
    if (awaited && (sample === awaited.sample || performance.now() > awaited.until)) awaited = null
    return awaited !== null
  }

  /** Just after a loop's start the ear is still at its end: the place stays inside the loop. */
  function loopStart(): number {
    if (!playing.value || !looping.value || !loop.value || !time || !host) return 0
    const start = time.tempo.secondsAt(loop.value.from)
    const at = host.state.position / SAMPLE_RATE
    return at >= start && at - lateness() < start ? start : 0
  }

  async function play(): Promise<void> {
    await host?.play()
  }

  function stop(): void {
    host?.stop()
  }

  const toggle = () => (playing.value ? stop() : void play())

  /** Goes to a tick. */
  function seek(tick: number): void {
    if (!time) return
    const at = time.tempo.secondsAt(Math.min(Math.max(0, tick), time.length))
    host?.seek(at * SAMPLE_RATE)
    if (!playing.value) {
      awaited = host && { sample: Math.round(at * SAMPLE_RATE), until: performance.now() + SEEK_MS }
      seconds.value = at
      position.value = tick
    }
  }

  /** Sets the stretch of the loop, and switches it on or off. */
  function setLoop(stretch: LoopTicks | null, on: boolean): void {
    loop.value = stretch
    looping.value = on && stretch !== null
    const sample = (tick: number) => Math.round(time!.tempo.secondsAt(tick) * SAMPLE_RATE)
    host?.loop(looping.value && stretch ? { start: sample(stretch.from), end: sample(stretch.to) } : null)
  }

  /** Plays a stretch round and round from its start. */
  function playLoop(stretch: LoopTicks): void {
    setLoop(stretch, true)
    seek(stretch.from)
    void play()
  }

  function setMoves(on: boolean): void {
    moves.value = on
    host?.moves(on)
  }

  /** Hears everything by so many dB louder or softer, to compare mixes at one loudness. No meter knows of it. */
  function setTrim(db: number): void {
    host?.trim(gainOfDb(db))
  }

  /** Blocks that the audio thread has done: for tests that it really runs. */
  const blocks = () => host?.state.blocks ?? 0

  return {
    progress,
    ready,
    failure,
    playing,
    position,
    seconds,
    loop,
    looping,
    moves,
    counting,
    stuttered,
    peak,
    loudness,
    shortTerm,
    truePeak,
    forgetOver,
    trackPeaks,
    returnPeaks,
    instant,
    solo,
    setSolo,
    toggleSolo,
    trackLoudness,
    trackTrace,
    overs,
    measured,
    measuring,
    prepare,
    open,
    load,
    close,
    play,
    stop,
    toggle,
    seek,
    setLoop,
    playLoop,
    setMoves,
    setTrim,
    blocks,
  }
})
