import type { MixLoudness } from '@rudlo/core/assess'
import type { Program } from '@rudlo/core/engine'
import type { InstantLoudness } from '@rudlo/core/instant'
import { integratedLoudness, TraceFollower } from '@rudlo/core/loudness'
import { isColoured, plainMix, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { computed, shallowRef, type Ref } from 'vue'
import { isDry, isRecorded } from './instant-host'

/** Momentary loudness: windows of 400 ms, in hops of 100 ms. */
const MOMENTARY = 4
const NOWHERE: readonly number[] = []
const NONE: ReadonlyMap<string, Float64Array> = new Map()

/**
 * How loud what is loaded is: at once where the table of the recording gives it, else as it was rendered last. Everything is
 * worked out only where somebody looks at it.
 */
export function useMeasuredLoudness(moves: Ref<boolean>) {
  const loaded = shallowRef<{ readonly mix: Mix; readonly program: Program } | null>(null)
  const rendered = shallowRef<MixLoudness | null>(null)
  const instant = shallowRef<InstantLoudness | null>(null)
  /** The song as it was recorded: what the table is made of. */
  let recorded: Mix | null = null
  let whole = new TraceFollower(MOMENTARY)
  let tracks = new Map<number, TraceFollower>()

  const measured = computed<Pick<MixLoudness, 'momentary' | 'integrated'> | null>(() => {
    const now = loaded.value
    if (!now || !recorded || !instant.value || !isDry(now.mix, recorded)) return rendered.value
    const hops = instant.value.hops(now.program)
    return { momentary: whole.follow(hops), integrated: integratedLoudness(hops) }
  })
  /** Highest true peak of the whole mix in dBTP, as it was rendered last; null while it is not known. */
  const truePeak = computed(() => rendered.value?.truePeak ?? null)
  /** Hops of 100 ms in which the mix was too hot when it was rendered last. */
  const overs = computed(() => rendered.value?.overs ?? NOWHERE)
  /** Loudness of tracks with effects by themselves, by id, as they were rendered last. */
  const apart = computed(() => rendered.value?.apart ?? NONE)

  /**
   * Loudness of one track by itself every 100 ms in LUFS, after its pan: at once where the table gives it, as it was
   * rendered last where the track has effects; null where it is not known. The same array as before where it is the same.
   */
  function trackTrace(index: number): Float64Array | null {
    const now = loaded.value
    const track = now?.mix.tracks[index]
    if (!now || !track) return null
    if (isColoured(now.mix, track)) return apart.value.get(track.id) ?? null
    if (!instant.value || !isRecorded(track, recorded?.tracks[index])) return null
    const follower = tracks.get(index) ?? new TraceFollower(MOMENTARY)
    tracks.set(index, follower)
    return follower.follow(instant.value.hops(now.program, moves.value, index))
  }

  /** Loudness of one track by itself between two ticks, in LUFS, without effects; null for silence or not known. */
  function trackLoudness(index: number, from: number, to: number, time: SongTime): number | null {
    if (!instant.value || !loaded.value) return null
    const hop = (tick: number) => Math.round(time.tempo.secondsAt(tick) * 10)
    const hops = instant.value.hops(loaded.value.program, moves.value, index)
    return integratedLoudness(hops.subarray(hop(from), hop(to)))
  }

  function begin(song: SongVersion): void {
    recorded = plainMix(song)
  }

  function forget(): void {
    loaded.value = rendered.value = instant.value = recorded = null
    whole = new TraceFollower(MOMENTARY)
    tracks = new Map()
  }

  return {
    loaded,
    rendered,
    instant,
    measured,
    truePeak,
    overs,
    trackTrace,
    trackLoudness,
    begin,
    forget,
  }
}
