import { SAMPLE_RATE, type TempoMap } from '../time'

/**
 * The most frames that are processed at once: few enough to stay in the fastest memory, many enough that what is done once
 * a block costs little beside them. While it plays, blocks are as long as the sound card asks for.
 */
export const BLOCK = 512

/** The stretch of the song that is being processed. One object, reused for every block. */
export class BlockTime {
  frames = 0
  /** Position in samples from the start of the song. */
  start = 0
  tickStart = 0
  tickEnd = 0

  constructor(private readonly tempo: TempoMap) {}

  /** Moves to `frames` frames at sample `start`. */
  set(start: number, frames: number): void {
    const follows = start === this.start + this.frames && this.frames > 0
    this.tickStart = follows ? this.tickEnd : this.tempo.tickAt(start / SAMPLE_RATE)
    this.tickEnd = this.tempo.tickAt((start + frames) / SAMPLE_RATE)
    this.start = start
    this.frames = frames
  }
}
