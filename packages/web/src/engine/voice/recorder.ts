import { Wave } from './wave'

/** What was spoken. */
export interface Recording {
  readonly audio: Uint8Array
  readonly ms: number
  readonly wave: readonly number[]
}

/** What a browser records, best first. Opus keeps a voice clear at a tenth of the size that music would need. */
const TYPES = ['audio/webm;codecs=opus', 'audio/ogg;codecs=opus', 'audio/mp4'] as const
/** Bits a second: 90 s are 270 kB, and some for the container. */
const BITS = 24_000
/** How often the level is looked at, and how often what was recorded is handed over, in ms. */
const LOOK_MS = 50
const SLICE_MS = 1000
/** Parts of the waveform. */
const PARTS = 64

/** Why nothing can be recorded: no microphone is there, nobody may use it, or this browser cannot. */
export type NoVoice = 'missing' | 'forbidden' | 'impossible'

/** Why asking for the microphone failed. */
export function reasonOf(error: unknown): NoVoice {
  const name = error instanceof Error ? error.name : ''
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'forbidden'
  return name === 'NotFoundError' || name === 'OverconstrainedError' ? 'missing' : 'impossible'
}

/** One recording of the microphone, from when it is opened until it is stopped. */
export class VoiceRecorder {
  readonly #slices: Blob[] = []
  readonly #wave = new Wave()
  readonly #began = performance.now()
  readonly #samples: Float32Array<ArrayBuffer>
  readonly #timer: ReturnType<typeof setInterval>
  #loudness = 0

  private constructor(
    private readonly stream: MediaStream,
    private readonly recorder: MediaRecorder,
    private readonly context: AudioContext,
    private readonly analyser: AnalyserNode,
  ) {
    this.#samples = new Float32Array(analyser.fftSize)
    recorder.addEventListener('dataavailable', ({ data }) => this.#slices.push(data))
    recorder.start(SLICE_MS)
    this.#timer = setInterval(() => this.#look(), LOOK_MS)
  }

  /** Asks for the microphone and begins. @throws DOMException where there is none, or it may not be used; see {@link reasonOf} */
  static async begin(): Promise<VoiceRecorder> {
    const type = TYPES.find((one) => MediaRecorder.isTypeSupported(one))
    if (!type) throw new DOMException('', 'NotSupportedError')
    const stream = await navigator.mediaDevices.getUserMedia({
      audio: { channelCount: 1, echoCancellation: true, noiseSuppression: true },
    })
    const context = new AudioContext()
    const analyser = new AnalyserNode(context, { fftSize: 2048 })
    context.createMediaStreamSource(stream).connect(analyser)
    const recorder = new MediaRecorder(stream, { mimeType: type, audioBitsPerSecond: BITS })
    return new VoiceRecorder(stream, recorder, context, analyser)
  }

  /** How long it is so far, in ms. */
  get ms(): number {
    return performance.now() - this.#began
  }

  /** How loud it is just now, 0…1. */
  get loudness(): number {
    return this.#loudness
  }

  #look(): void {
    this.analyser.getFloatTimeDomainData(this.#samples)
    this.#loudness = this.#samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0)
    this.#wave.add(this.#loudness)
  }

  /** Ends it and lets go of the microphone. */
  async stop(): Promise<Recording> {
    const { ms } = this
    clearInterval(this.#timer)
    if (this.recorder.state !== 'inactive') {
      const ended = new Promise((resolve) => this.recorder.addEventListener('stop', resolve, { once: true }))
      this.recorder.stop()
      await ended
    }
    for (const track of this.stream.getTracks()) track.stop()
    void this.context.close()
    const audio = new Uint8Array(await new Blob(this.#slices).arrayBuffer())
    return { audio, ms: Math.round(ms), wave: this.#wave.parts(PARTS) }
  }
}
