import type { AssetAudio, AudioStore } from './audio'
import type { Program } from './program'
import { neededFor } from './sample-pages'

/**
 * Knows whether the recordings that a stretch needs are there by now. Runs inside the audio callback and allocates nothing there;
 * once everything has arrived, it looks no more.
 */
export class Arrival {
  #isWhole = false
  readonly #coming: readonly AssetAudio[]

  constructor(private readonly audio: AudioStore) {
    this.#coming = [...audio.values()].filter((a) => a.arrived !== undefined)
  }

  /** Whether everything that sounds from sample `from` to before `to` of the song can be read. */
  isThere(program: Pick<Program, 'tracks'>, from: number, to: number): boolean {
    if (this.#isWhole) return true
    if (this.#allHave()) return (this.#isWhole = true)
    for (let t = 0; t < program.tracks.length; t++) {
      const { regions } = program.tracks[t]!
      for (let r = 0; r < regions.length; r++) {
        const { asset, start, offset, length } = regions[r]!
        if (start >= to) break
        if (start + length <= from) continue
        const audio = this.audio.get(asset)
        if (!audio?.arrived) continue
        const last = offset + Math.min(to, start + length) - 1 - start
        if (Atomics.load(audio.arrived, 0) < neededFor(last, audio.frames)) return false
      }
    }
    return true
  }

  #allHave(): boolean {
    for (let i = 0; i < this.#coming.length; i++) {
      const { arrived, frames } = this.#coming[i]!
      if (Atomics.load(arrived!, 0) < frames) return false
    }
    return true
  }
}
