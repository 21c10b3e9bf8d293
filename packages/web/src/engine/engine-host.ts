import { ProgramSender, type AssetAudio, type Loop, type Program, type Solo } from '@rudlo/core/engine'
import { SAMPLE_RATE } from '@rudlo/core/time'
import workletUrl from './engine.worklet.ts?worker&url'
import type { EngineMessage, EngineOptions, Listening } from './messages'
import { createSharedState, SharedState } from './shared-state'
import { t } from '../words/t'

let prepared: Promise<AudioContext> | null = null

/**
 * Makes the audio context of the next engine, while its audio is still on the way.
 * @throws Error where the page is not cross-origin isolated or the browser has no AudioWorklet
 */
export function prepareContext(): Promise<AudioContext> {
  prepared ??= makeContext().catch((error: unknown) => {
    prepared = null
    throw error
  })
  return prepared
}

async function makeContext(): Promise<AudioContext> {
  if (!globalThis.crossOriginIsolated || !('AudioWorkletNode' in globalThis)) {
    throw new Error(t('work.insecure'))
  }
  const context = new AudioContext({ sampleRate: SAMPLE_RATE, latencyHint: 'interactive' })
  await context.audioWorklet.addModule(workletUrl)
  return context
}

/** The engine in its AudioWorklet, seen from the page. */
export class EngineHost {
  readonly #programs = new ProgramSender()
  /** Whether it was sent to rest and not woken since. */
  #rests = false
  /** Whether it was asked to play and not to stop since. */
  #wanted = false

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
    readonly state: SharedState,
  ) {}

  /** @throws Error where the page is not cross-origin isolated or the browser has no AudioWorklet */
  static async create(
    program: Program,
    audio: readonly (readonly [string, AssetAudio])[],
  ): Promise<EngineHost> {
    const coming = prepareContext()
    // taken before it is there: of two that are made at once each has its own, and ends only that
    prepared = null
    const context = await coming
    const state = createSharedState()
    const processorOptions: EngineOptions = { program, audio, state }
    const node = new AudioWorkletNode(context, 'rudlo-engine', {
      numberOfInputs: 0,
      numberOfOutputs: 1,
      outputChannelCount: [2],
      processorOptions,
    })
    node.connect(context.destination)
    return new EngineHost(context, node, new SharedState(state))
  }

  /** Seconds between the engine and the ear. */
  get latency(): number {
    return (this.context.outputLatency || 0) + this.context.baseLatency
  }

  load(program: Program): void {
    this.#send({ kind: 'program', posted: this.#programs.pack(program) })
  }

  async play(): Promise<void> {
    this.#wanted = true
    // one that is about to rest still runs
    const isAwake = !this.#rests && this.context.state === 'running'
    this.#rests = false
    if (!isAwake) await this.context.resume()
    // it may have been stopped meanwhile
    if (this.#wanted) this.#send({ kind: 'play' })
  }

  /** Lets the sound device rest until something is to be heard: silence takes 8 % of a core as well. */
  rest(): void {
    if (this.#rests) return
    this.#rests = true
    void this.context.suspend()
  }

  stop(): void {
    this.#wanted = false
    this.#send({ kind: 'stop' })
  }

  seek(sample: number): void {
    this.#send({ kind: 'seek', sample })
  }

  loop(loop: Loop | null): void {
    this.#send({ kind: 'loop', loop })
  }

  moves(on: boolean): void {
    this.#send({ kind: 'moves', on })
  }

  solo(solo: Solo): void {
    this.#send({ kind: 'solo', solo })
  }

  listen(listening: Listening): void {
    this.#send({ kind: 'listen', listening })
  }

  /** Gain for the ear alone, after everything that is measured. */
  trim(gain: number): void {
    this.#send({ kind: 'trim', gain })
  }

  /** Seconds that the output has really played since the context was made. */
  get clock(): number {
    return this.context.currentTime
  }

  async close(): Promise<void> {
    this.node.disconnect()
    await this.context.close()
  }

  #send(message: EngineMessage): void {
    this.node.port.postMessage(message)
  }
}
