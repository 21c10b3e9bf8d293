import { SAMPLE_RATE } from '@rudlo/core/time'

/** Seconds between the clicks of the tapping: slow enough that a late tap still belongs to its click. */
export const CLICK_GAP = 0.9
const NOTE_SECONDS = 1.6
const LEAD_SECONDS = 0.15

/** Sounds of the check, in a context of their own: nothing of a song is touched. */
export class TestSounds {
  readonly #context = new AudioContext({ sampleRate: SAMPLE_RATE, latencyHint: 'interactive' })
  #running: AudioNode[] = []

  /** Seconds between the computer and its output, as the browser says. */
  get latency(): number {
    return (this.#context.outputLatency || 0) + this.#context.baseLatency
  }

  /** A soft chord on one side (−1, 1) or on both (0). */
  async chord(side: -1 | 0 | 1): Promise<void> {
    await this.#ready()
    const context = this.#context
    const start = context.currentTime + LEAD_SECONDS
    const pan = new StereoPannerNode(context, { pan: side })
    const gain = new GainNode(context, { gain: 0 })
    gain.gain.setValueAtTime(0, start)
    gain.gain.linearRampToValueAtTime(0.07, start + 0.05)
    gain.gain.linearRampToValueAtTime(0, start + NOTE_SECONDS)
    gain.connect(pan).connect(context.destination)
    for (const frequency of [220, 330, 440, 554.4]) {
      const tone = new OscillatorNode(context, { frequency, type: 'triangle' })
      tone.connect(gain)
      tone.start(start)
      tone.stop(start + NOTE_SECONDS)
    }
    this.#running.push(pan)
  }

  /** Clicks in a steady row. @returns when each sounds at the output, in ms of `performance.now()` */
  async clicks(count: number): Promise<number[]> {
    await this.#ready()
    const context = this.#context
    const first = context.currentTime + 0.5
    const times = Array.from({ length: count }, (_, i) => first + i * CLICK_GAP)
    for (const at of times) {
      const gain = new GainNode(context, { gain: 0 })
      gain.gain.setValueAtTime(0.25, at)
      gain.gain.exponentialRampToValueAtTime(0.001, at + 0.06)
      const tone = new OscillatorNode(context, { frequency: 1200 })
      tone.connect(gain).connect(context.destination)
      tone.start(at)
      tone.stop(at + 0.07)
      this.#running.push(gain)
    }
    const now = performance.now() - context.currentTime * 1000
    return times.map((at) => now + (at + this.latency) * 1000)
  }

  /** Silence at once. */
  hush(): void {
    for (const node of this.#running) node.disconnect()
    this.#running = []
  }

  async close(): Promise<void> {
    this.hush()
    await this.#context.close()
  }

  async #ready(): Promise<void> {
    this.hush()
    if (this.#context.state !== 'running') await this.#context.resume()
  }
}
