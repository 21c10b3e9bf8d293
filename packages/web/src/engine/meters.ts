import { dbfs, lufsOfEnergy } from '@rudlo/core/loudness'
import { ref, shallowRef } from 'vue'
import { PeakHold, PeakHolds, SILENT, type HeldPeak } from './peak-hold'
import type { SharedState } from './shared-state'

/** Meters are shown so often, in ms: an eye sees no more, and a frame is for what moves. */
const METERS_MS = 40

/** What is read of the audio thread's state. */
export type MeteredState = Pick<SharedState, 'peak' | 'trackPeak' | 'returnPeak' | 'energy' | 'shortTerm'>

/** Peaks and loudness of what is heard, as meters show them. */
export function useMeters() {
  /** LUFS of the last 400 ms and of the last 3 s; −Infinity for silence. */
  const loudness = ref(-Infinity)
  const shortTerm = ref(-Infinity)
  const peak = shallowRef<HeldPeak>(SILENT)
  const trackPeaks = shallowRef<readonly HeldPeak[]>([])
  const returnPeaks = shallowRef<readonly HeldPeak[]>([])
  const holds = { main: new PeakHold(), tracks: new PeakHolds(), returns: new PeakHolds() }
  let shown = -Infinity

  /**
   * Follows the meters with every frame, so that no peak is missed, and shows them a little less often.
   * @param tracks how many there are, and how many returns
   */
  function read(state: MeteredState, tracks: number, returns: number): void {
    const clock = performance.now()
    const main = holds.main.follow(dbfs(Math.max(state.peak('left'), state.peak('right'))), clock)
    const ofReturns = holds.returns.follow(
      Array.from({ length: returns }, (_, i) => dbfs(state.returnPeak(i))),
      clock,
    )
    const ofTracks = holds.tracks.follow(
      Array.from({ length: tracks }, (_, i) => dbfs(state.trackPeak(i))),
      clock,
    )
    if (clock - shown < METERS_MS) return
    shown = clock
    loudness.value = lufsOfEnergy(state.energy)
    shortTerm.value = lufsOfEnergy(state.shortTerm)
    peak.value = main
    returnPeaks.value = ofReturns
    trackPeaks.value = ofTracks
  }

  /** Takes every "over" back, once somebody has seen it. */
  function forgetOver(): void {
    holds.main.forget()
    holds.tracks.forget()
    holds.returns.forget()
  }

  return { loudness, shortTerm, peak, trackPeaks, returnPeaks, read, forgetOver }
}
