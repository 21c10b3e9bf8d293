import { compileMix, type Solo } from '@rudlo/core/engine'
import { gainOfDb } from '@rudlo/core/maths'
import { inTempo, soundingOf, type Mix, type Sounding } from '@rudlo/core/mix'
import { songTime, type SongTime, type SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { usePaced, whenAtRest } from './calm'
import { fetchAudio, warmDecoders } from './asset-loader'
import { useDropoutWatch } from './dropout-watch'
import { EngineHost, prepareContext } from './engine-host'
import { InstantHost } from './instant-host'
import { useListening } from './listening-store'
import { useMeasuredLoudness } from './measured-loudness'
import { useMeters } from './meters'
import { MixMeter } from './mix-meter'
import { painted } from './painted'
import { audioToHear, type SongAudio } from './song-audio'
import { tempoLearner } from './tempo-learner'

/** Longest wait for the audio thread to take a change of place over. */
const SEEK_MS = 400
/** Figures change so often, in ms, so that they can be read: those of loudness ten times a second (EBU Tech 3341, 2.2). */
const FIGURES_MS = 100
/** So long after the last sound meters may still fall; a page at rest is looked at so often after that, in ms. */
const RINGS_MS = 3000
const REST_MS = 100

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
  const { stuttered, keepWatch } = useDropoutWatch()
  /** Whether somebody wants to hear it, who presses play before it is there. */
  const wished = ref(false)
  /** Whether it would play on and waits for recordings that are still on their way. */
  const waiting = ref(false)
  /** Beats still to be counted before it plays. */
  const counting = ref(0)
  const meters = useMeters()
  /** What figures are made of that are read: place and loudness, all of it at once, and no faster than it can be read. */
  const told = usePaced(
    () => ({
      position: position.value,
      seconds: seconds.value,
      loudness: meters.loudness.value,
      shortTerm: meters.shortTerm.value,
    }),
    FIGURES_MS,
  )
  /** Share done of a measurement that takes a while; null where none does. */
  const measuring = ref<number | null>(null)
  /** How loud it is. */
  const loudnessOf = useMeasuredLoudness(moves)
  const { instant, loaded, measured, truePeak, overs, trackTrace } = loudnessOf
  /** What is listened to alone. Belongs to the session, never to the mix. */
  const solo = shallowRef<Solo>(NOBODY)

  let host: EngineHost | null = null
  let meter: MixMeter | null = null
  let table: InstantHost | null = null
  let time: SongTime | null = null
  /** The song as it sounds: in the tempo that its mix asks for. */
  let song: SongVersion | null = null
  /** The song as it is, the mix that was asked for last, and the tempo in which it is heard. */
  let own: SongVersion | null = null
  let asked: Mix | null = null
  let tempo: Sounding['anew'] = null
  /** What somebody looks at, in ticks. */
  let seen: LoopTicks = { from: 0, to: Infinity }
  /** dB that everything is turned by: to compare at one loudness, and under a voice. */
  let trimmed = 0
  let ducked = 0
  let frame = 0
  let heardAt = -Infinity
  let resting: ReturnType<typeof setTimeout> | undefined
  let opened = 0
  /** Where a change of place was asked for that the audio thread has not made yet, and until when to wait for it. */
  let awaited: { readonly sample: number; readonly until: number } | null = null
  /** A mix is rendered for its loudness when the hand rests. */
  const measuringSoon = whenAtRest(500, () => loaded.value && meter?.measure(loaded.value.mix, seen))

  /** Starts to fetch a song's audio before its mix is known. */
  function prepare(coming: SongVersion): void {
    fetchAudio(coming.assets).catch(() => null)
    warmDecoders()
    prepareContext().catch(() => null)
  }

  const heardTime = shallowRef<SongTime | null>(null)
  const learner = tempoLearner({
    asked: () => own && asked && { song: own, mix: asked },
    heard: () => tempo,
    reopen,
    failed: (error) => (failure.value = error.message),
  })

  /** Opens a song in another tempo, and goes on from where it was. */
  async function reopen(again: SongVersion, mix: Mix): Promise<void> {
    const at = position.value
    const [plays, stretch, loops] = [playing.value, loop.value, looping.value]
    const [alone, moving] = [solo.value, moves.value]
    await open(again, mix)
    seek(at)
    if (stretch) setLoop(stretch, loops)
    setSolo(alone)
    setMoves(moving)
    if (plays) await play()
  }

  /** Opens a song with a mix; whatever was open is closed. Comes back when it can play. */
  async function open(newSong: SongVersion, newMix: Mix): Promise<void> {
    // somebody may have pressed play before the song was even asked for
    const isWished = wished.value && !ready.value
    const closed = close()
    wished.value = isWished
    await closed
    const mine = ++opened
    const sounding = soundingOf(newSong, newMix)
    own = newSong
    asked = newMix
    tempo = sounding.anew
    song = sounding.song
    loaded.value = { mix: sounding.mix, program: compileMix(song, sounding.mix) }
    loudnessOf.begin(song)
    heardTime.value = time = songTime(song)
    failure.value = null
    try {
      // what is looked at comes first: decoding takes a core that the page would need
      await painted()
      const told = (share: number) => mine === opened && (progress.value = share)
      const { audio, whole } = await audioToHear(sounding, told)
      if (mine !== opened) return
      const { program } = loaded.value
      const made = await EngineHost.create(program, audio)
      if (mine !== opened) return void made.close()
      host = made
      // what was loaded meanwhile
      if (loaded.value.program !== program) host.load(loaded.value.program)
      host.listen(listening.now)
      ready.value = true
      // whoever has opened a song is about to hear it
      heardAt = performance.now()
      look()
      if (wished.value) void play()
      wished.value = false
      void hearAll(mine, sounding, audio, () => whole(told))
    } catch (error) {
      if (mine === opened) failure.value = (error as Error).message
    }
  }

  /** Waits for all of the recordings, and then measures. */
  async function hearAll(
    mine: number,
    of: Sounding,
    audio: SongAudio,
    whole: () => Promise<void>,
  ): Promise<void> {
    try {
      await whole()
    } catch (error) {
      if (mine !== opened) return
      failure.value = (error as Error).message
      ready.value = false
      host?.stop()
      return
    }
    if (mine !== opened || !loaded.value) return
    progress.value = 1
    meter = new MixMeter(
      of.song,
      audio,
      (found) => (loudnessOf.rendered.value = found),
      (share) => (measuring.value = share),
    )
    meter.measure(loaded.value.mix, seen)
    table = new InstantHost(of.song, audio, (made) => (instant.value = made))
  }

  /** Takes a changed mix over, while playing or not. */
  function load(next: Mix): void {
    if (!song || !own) return
    asked = next
    learner.look()
    const { mix } = inTempo(own, next, tempo)
    const program = compileMix(song, mix)
    host?.load(program)
    loaded.value = { mix, program }
    measuringSoon.ask()
  }

  /** Loudness of one track by itself between two ticks, in LUFS, without effects; null for silence or not known. */
  const trackLoudness = (index: number, from: number, to: number) =>
    time && loudnessOf.trackLoudness(index, from, to, time)

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
    trimmed = ducked = 0
    opened++
    stopLooking()
    measuringSoon.forget()
    learner.forget()
    own = asked = null
    const old = host
    host = null
    meter?.close()
    meter = null
    table?.close()
    table = null
    solo.value = NOBODY
    ready.value = false
    playing.value = waiting.value = wished.value = false
    progress.value = 0
    position.value = 0
    seconds.value = 0
    loop.value = null
    looping.value = false
    moves.value = true
    loudnessOf.forget()
    heardTime.value = null
    seen = { from: 0, to: Infinity }
    meters.forgetOver()
    await old?.close()
  }

  /** Reads the shared state: with every frame while something is heard, else now and then, so that a page at rest rests. */
  function look(): void {
    lookAgain()
    if (!host || !time) return
    const { state } = host
    if (state.playing) heardAt = performance.now()
    playing.value = state.playing
    waiting.value = state.waiting
    keepWatch(host.clock, state.playing)
    if (isAwaited(state.position)) return
    const heard = state.position / SAMPLE_RATE - (state.playing ? lateness() : 0)
    const at = Math.max(loopStart(), heard)
    if (at !== seconds.value) {
      seconds.value = at
      position.value = Math.min(time.length, time.tempo.tickAt(at))
    }
    counting.value = state.counting
    meters.read(state, song!.tracks.length, loaded.value?.mix.returns.length ?? 0)
  }

  function lookAgain(): void {
    stopLooking()
    if (performance.now() - heardAt < RINGS_MS) frame = requestAnimationFrame(look)
    else {
      host?.rest()
      resting = setTimeout(look, REST_MS)
    }
  }

  function stopLooking(): void {
    cancelAnimationFrame(frame)
    clearTimeout(resting)
  }

  /** Something is about to be heard, or was set: it is looked at with every frame for a while. */
  function wake(): void {
    heardAt = performance.now()
    if (host) lookAgain()
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
    // asked for before the sound is there: it begins as soon as it can
    if (!ready.value) wished.value = true
    wake()
    await host?.play()
  }

  function stop(): void {
    wished.value = false
    host?.stop()
  }

  const toggle = () => (playing.value || wished.value ? stop() : void play())

  /** Goes to a tick. */
  function seek(tick: number): void {
    if (!time) return
    const at = time.tempo.secondsAt(Math.min(Math.max(0, tick), time.length))
    host?.seek(at * SAMPLE_RATE)
    wake()
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

  /** Says what somebody looks at: its loudness comes first. */
  function lookAt(stretch: LoopTicks): void {
    seen = stretch
  }

  function setMoves(on: boolean): void {
    moves.value = on
    host?.moves(on)
  }

  /** Hears everything by so many dB louder or softer, to compare mixes at one loudness. No meter knows of it. */
  function setTrim(db: number): void {
    trimmed = db
    host?.trim(gainOfDb(trimmed + ducked))
  }

  /** Lets the song step back so many dB under a voice, whatever it is trimmed by; 0 ends that. */
  function duck(db: number): void {
    ducked = db
    setTrim(trimmed)
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
    told,
    loop,
    looping,
    moves,
    wished,
    waiting,
    counting,
    learning: learner.learning,
    heardTime,
    stuttered,
    peak: meters.peak,
    truePeak,
    forgetOver: meters.forgetOver,
    trackPeaks: meters.trackPeaks,
    returnPeaks: meters.returnPeaks,
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
    lookAt,
    setMoves,
    setTrim,
    duck,
    blocks,
  }
})
