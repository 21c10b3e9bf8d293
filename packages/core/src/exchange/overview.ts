import { words } from '@rudlo/words'

/** Waveform overview of an asset: highest and lowest sample of each stretch, at several zooms. */
export interface Overview {
  /** Samples a stretch at the finest zoom. */
  readonly step: number
  /** Each zoom halves the one before: pairs of lowest and highest sample, −128…127. */
  readonly zooms: readonly Int8Array[]
}

/** Samples in a stretch of the finest zoom. */
export const OVERVIEW_STEP = 256
const ZOOMS = 6

/** Makes the overview of audio as it comes; channels are laid on top of each other. */
export class OverviewMaker {
  #finest = new Int8Array(4096)
  #stretches = 0
  /** Of the stretch that is not whole yet. */
  #frames = 0
  #low = 32_767
  #high = -32_768

  /** Takes the next samples, one array a channel, all of one length. */
  take(channels: readonly Int16Array[]): void {
    const frames = channels[0]?.length ?? 0
    for (let from = 0; from < frames;) {
      const to = Math.min(frames, from + OVERVIEW_STEP - this.#frames)
      this.#see(channels, from, to)
      this.#frames += to - from
      if (this.#frames === OVERVIEW_STEP) this.#close()
      from = to
    }
  }

  /** The overview of all that came. */
  end(): Overview {
    if (this.#frames) this.#close()
    const zooms: Int8Array[] = [this.#finest.slice(0, 2 * this.#stretches)]
    while (zooms.length < ZOOMS) zooms.push(halve(zooms.at(-1)!))
    return { step: OVERVIEW_STEP, zooms }
  }

  #see(channels: readonly Int16Array[], from: number, to: number): void {
    let [low, high] = [this.#low, this.#high]
    for (const samples of channels) {
      for (let n = from; n < to; n++) {
        const x = samples[n]!
        if (x < low) low = x
        if (x > high) high = x
      }
    }
    this.#low = low
    this.#high = high
  }

  #close(): void {
    if (2 * this.#stretches === this.#finest.length) {
      const longer = new Int8Array(2 * this.#finest.length)
      longer.set(this.#finest)
      this.#finest = longer
    }
    this.#finest[2 * this.#stretches] = Math.max(-128, Math.floor(this.#low / 256))
    this.#finest[2 * this.#stretches + 1] = Math.min(127, Math.ceil(this.#high / 256))
    this.#stretches++
    this.#frames = 0
    this.#low = 32_767
    this.#high = -32_768
  }
}

/** Makes the overview of whole channels. */
export function overviewOf(channels: readonly Int16Array[]): Overview {
  const maker = new OverviewMaker()
  maker.take(channels)
  return maker.end()
}

function halve(fine: Int8Array): Int8Array {
  const pairs = Math.ceil(fine.length / 4)
  const coarse = new Int8Array(2 * pairs)
  for (let i = 0; i < pairs; i++) {
    const last = 4 * i + 2 < fine.length
    coarse[2 * i] = last ? Math.min(fine[4 * i]!, fine[4 * i + 2]!) : fine[4 * i]!
    coarse[2 * i + 1] = last ? Math.max(fine[4 * i + 1]!, fine[4 * i + 3]!) : fine[4 * i + 1]!
  }
  return coarse
}

/** Lays an overview out as bytes: zoom after zoom, the finest first. The frame count gives the lengths back. */
export function packOverview({ zooms }: Overview): Uint8Array {
  const bytes = new Uint8Array(zooms.reduce((sum, z) => sum + z.length, 0))
  let at = 0
  for (const zoom of zooms) {
    bytes.set(new Uint8Array(zoom.buffer, zoom.byteOffset, zoom.length), at)
    at += zoom.length
  }
  return bytes
}

/** Reads packed bytes back. @throws RangeError where their length does not fit the frames */
export function unpackOverview(bytes: Uint8Array, frames: number): Overview {
  const zooms: Int8Array[] = []
  let pairs = Math.ceil(frames / OVERVIEW_STEP)
  let at = 0
  for (let zoom = 0; zoom < ZOOMS; zoom++) {
    zooms.push(new Int8Array(bytes.buffer, bytes.byteOffset + at, 2 * pairs))
    at += 2 * pairs
    pairs = Math.ceil(pairs / 2)
  }
  if (at !== bytes.length) throw new RangeError(words('wav.waveform-overview-damaged'))
  return { step: OVERVIEW_STEP, zooms }
}
