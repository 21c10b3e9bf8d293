/** What is heard of a single note, as figures (G. Peeters 2004, "A large set of audio features for sound description"). */
import FFT from 'fft.js'
import { RATE } from '../src/players'

export interface Features {
  /** Middle of the spectrum by energy, in Hz, over the first half second after it has spoken. */
  readonly centroid: number
  /** Seconds from a tenth of the highest level to nine tenths of it. */
  readonly attack: number
  /** dB by which it has fallen half a second after its highest level, while it is held. */
  readonly falls: number
  /** Share of the energy that lies beside the harmonics, 0…1. */
  readonly noise: number
  /** How far its partials are stretched: B of f = k·f₀·√(1 + B·k²), by the partials that stand out. */
  readonly stretch: number
  /** Share of the energy in the first harmonic, 0…1. */
  readonly first: number
  /** Energy of the even harmonics against that of the odd ones, in dB. */
  readonly evens: number
}

const SIZE = 16_384

/** Energy by frequency bin of a stretch of sound, with a Hann window. */
export function spectrum(sound: Float32Array, from: number, size = SIZE): Float64Array {
  const fft = new FFT(size)
  const windowed = Array.from(
    { length: size },
    (_, n) => (sound[from + n] ?? 0) * (0.5 - 0.5 * Math.cos((2 * Math.PI * n) / size)),
  )
  const out = fft.createComplexArray()
  fft.realTransform(out, windowed)
  return new Float64Array(size / 2).map((_, i) => out[2 * i]! ** 2 + out[2 * i + 1]! ** 2)
}

/** Level every 5 ms, as amplitude. */
function levels(sound: Float32Array): number[] {
  const step = Math.round(RATE * 0.005)
  return Array.from({ length: Math.floor(sound.length / step) }, (_, i) => {
    let sum = 0
    for (let n = i * step; n < (i + 1) * step; n++) sum += sound[n]! ** 2
    return Math.sqrt(sum / step)
  })
}

/** The features of one note of a frequency in Hz that begins with the sound. */
export function featuresOf(sound: Float32Array, hz: number): Features {
  const level = levels(sound)
  const top = level.indexOf(Math.max(...level.slice(0, 200)))
  const from = level.findIndex((l) => l > level[top]! * 0.1)
  const to = level.findIndex((l) => l > level[top]! * 0.9)
  const at = Math.round(to * 0.005 * RATE)
  const bins = spectrum(sound, at)
  const perBin = RATE / SIZE
  const total = bins.reduce((a, b) => a + b, 0)
  const near = (f: number, wide: number) => {
    const [lo, hi] = [Math.max(1, Math.floor((f - wide) / perBin)), Math.ceil((f + wide) / perBin)]
    let best = lo
    let sum = 0
    for (let i = lo; i <= hi; i++) {
      sum += bins[i] ?? 0
      if ((bins[i] ?? 0) > (bins[best] ?? 0)) best = i
    }
    return { sum, hz: peakOf(bins, best) * perBin }
  }
  const count = Math.floor(16_000 / hz)
  const harmonics = Array.from({ length: count }, (_, i) => near((i + 1) * hz, Math.max(10, hz * 0.06)))
  const share = (list: readonly { sum: number }[]) => list.reduce((a, h) => a + h.sum, 0) / total
  const strong = harmonics
    .map((h, i) => ({ ...h, k: i + 1 }))
    .filter((h) => h.k > 1 && h.k < 14 && h.sum > total * 1e-5)
  const stretches = strong.map(({ hz: f, k }) => ((f / (k * hz)) ** 2 - 1) / (k * k))
  return {
    centroid: bins.reduce((a, b, i) => a + b * i * perBin, 0) / total,
    attack: Math.max(0, to - from) * 0.005,
    falls: 20 * Math.log10(level[top]! / Math.max(1e-9, level[top + 100] ?? 0)),
    noise: Math.max(0, 1 - share(harmonics)),
    stretch: stretches.sort((a, b) => a - b)[stretches.length >> 1] ?? 0,
    first: harmonics[0]!.sum / total,
    evens:
      10 *
      Math.log10(
        share(harmonics.filter((_, i) => i % 2)) /
          Math.max(1e-12, share(harmonics.filter((_, i) => i % 2 === 0))),
      ),
  }
}

/** The place of a peak between bins (parabola through three, J. O. Smith 2011). */
function peakOf(bins: Float64Array, i: number): number {
  const [a, b, c] = [bins[i - 1]!, bins[i]!, bins[i + 1] ?? 0].map((x) => Math.log(x + 1e-30)) as [
    number,
    number,
    number,
  ]
  const d = a - 2 * b + c
  return d === 0 ? i : i + (0.5 * (a - c)) / d
}
