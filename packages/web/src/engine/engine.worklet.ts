/** The audio thread: the core's player inside an AudioWorklet. Allocates nothing while it plays. */
import { Player, ProgramReceiver } from '@rudlo/core/engine'
import { LiveLoudness } from '@rudlo/core/loudness'
import type { EngineMessage, EngineOptions } from './messages'
import { SharedState } from './shared-state'

declare const sampleRate: number
declare function registerProcessor(name: string, processor: unknown): void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

/** Meters fall by about 26 dB a second. */
const FALL = 0.9913

class EngineProcessor extends AudioWorkletProcessor {
  readonly #player: Player
  readonly #programs: ProgramReceiver
  readonly #state: SharedState
  readonly #loudness = new LiveLoudness(sampleRate)

  constructor({ processorOptions }: { processorOptions: EngineOptions }) {
    super()
    this.#programs = new ProgramReceiver(processorOptions.program)
    this.#player = new Player(processorOptions.program, new Map(processorOptions.audio))
    this.#player.engine.metered = true
    this.#state = new SharedState(processorOptions.state)
    this.port.onmessage = ({ data }: MessageEvent<EngineMessage>) => {
      this.#take(data)
      // also while the sound rests, when no block says it
      this.#tell()
    }
  }

  #take(message: EngineMessage): void {
    const player = this.#player
    switch (message.kind) {
      case 'program':
        return player.load(this.#programs.unpack(message.posted))
      case 'play':
        return player.play()
      case 'stop':
        return player.stop()
      case 'seek':
        return player.seek(message.sample)
      case 'loop':
        player.loop = message.loop
        return
      case 'moves':
        player.engine.moves = message.on
        return
      case 'solo':
        return player.engine.listenTo(message.solo)
      case 'trim':
        player.monitor.trim = message.gain
        return
      case 'listen':
        player.countIn = message.listening.countIn
        player.monitor.metronome = message.listening.metronome
        player.monitor.mono = message.listening.mono
    }
  }

  /** Says where it is and what it does. */
  #tell(): void {
    const state = this.#state
    const player = this.#player
    state.position = player.position
    state.playing = player.playing
    state.waiting = player.waiting
    state.counting = player.counting
  }

  process(_inputs: unknown, outputs: Float32Array[][]): boolean {
    const began = Date.now()
    const left = outputs[0]![0]!
    const right = outputs[0]![1]!
    const player = this.#player
    player.process(left, right)
    this.#loudness.push(left, right)
    let peakLeft = 0
    let peakRight = 0
    for (let n = 0; n < left.length; n++) {
      const l = Math.abs(left[n]!)
      const r = Math.abs(right[n]!)
      if (l > peakLeft) peakLeft = l
      if (r > peakRight) peakRight = r
    }
    const state = this.#state
    state.meter(peakLeft, peakRight, this.#loudness.energy, this.#loudness.shortTerm, FALL)
    const { strips } = player.engine
    for (let i = 0; i < strips.length; i++) {
      state.meterTrack(i, strips[i]!.peak, FALL)
      strips[i]!.peak = 0
    }
    const { returns } = player.engine
    for (let i = 0; i < returns.length; i++) {
      state.meterReturn(i, returns[i]!.peak, FALL)
      returns[i]!.peak = 0
    }
    this.#tell()
    player.monitor.apply(left, right)
    // the audio thread has no finer clock than this one: summed over many blocks it is fine enough
    state.addWork(Date.now() - began, (left.length / sampleRate) * 1000)
    return true
  }
}

registerProcessor('rudlo-engine', EngineProcessor)
