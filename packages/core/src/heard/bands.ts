import { EngineMemory } from '../kernels'
import { cosPi, sinPi } from '../maths'
import { SAMPLE_RATE } from '../time'

/** Edges of the 24 critical bands of hearing in Hz (E. Zwicker, Subdivision of the Audible Frequency Range into Critical Bands, 1961). */
export const BARK_EDGES = [
  0, 100, 200, 300, 400, 510, 630, 770, 920, 1080, 1270, 1480, 1720, 2000, 2320, 2700, 3150, 3700, 4400, 5300,
  6400, 7700, 9500, 12_000, 15_500,
] as const
export const BANDS = BARK_EDGES.length - 1

/** Samples of a look at the spectrum: its lines lie 10.8 Hz apart, closer than the narrowest band is wide. */
export const LOOK = 4096

const BITS = 31 - Math.clz32(LOOK)

/** Where each sample of a look goes, so that its spectrum comes out in order. */
const turned = (n: number): number => {
  let to = 0
  for (let bit = 0; bit < BITS; bit++) if (n & (1 << bit)) to |= 1 << (BITS - 1 - bit)
  return to
}

/** The band of a line of the spectrum; −1 above the last. */
function bandOf(k: number): number {
  const hz = (k * SAMPLE_RATE) / LOOK
  const band = BARK_EDGES.findLastIndex((edge) => hz >= edge)
  return band < BANDS ? band : -1
}

/** For every half of 4, 8 … what turns by kπ / half gives, one half after the other. */
function* halves(of: (turns: number) => number): Generator<number> {
  for (let half = 4; half < LOOK; half *= 2) for (let k = 0; k < half; k++) yield of(k / half)
}

/** What looks are taken in: nothing stays in it from one look to the next, so that all meters of a thread share it. */
function makeRoom() {
  const part = new EngineMemory().part()
  const bands = Array.from({ length: LOOK / 2 }, (_, k) => bandOf(k))
  const lines = bands.indexOf(-1)
  const room = {
    kernels: part.kernels,
    lines,
    left: part.floats(LOOK),
    right: part.floats(LOOK),
    re: part.floats(LOOK),
    im: part.floats(LOOK),
    window: part.floats(LOOK),
    turned: part.shorts(LOOK),
    cos: part.floats(LOOK),
    sin: part.floats(LOOK),
    bands: part.shorts(lines),
    into: part.doubles(BANDS),
  }
  for (let n = 0; n < LOOK; n++) {
    room.window.view[n] = 0.5 - 0.5 * cosPi((2 * n) / LOOK)
    room.turned.view[n] = turned(n)
  }
  room.cos.view.set([...halves(cosPi)])
  room.sin.view.set([...halves(sinPi)])
  room.bands.view.set(bands.slice(0, lines))
  return room
}

let made: ReturnType<typeof makeRoom> | undefined

/** Sums the energy of a sound in every critical band, look by look. */
export class BandMeter {
  /**
   * Adds the energies of one look to `into`, one number a band: mean squares, both sides together.
   * @param left, right {@link LOOK} samples of each side
   */
  add(left: ArrayLike<number>, right: ArrayLike<number>, into: Float64Array): void {
    const room = (made ??= makeRoom())
    const { kernels, re, im } = room
    room.left.view.set(left)
    room.right.view.set(right)
    if (!kernels.peak(room.left.at, LOOK) && !kernels.peak(room.right.at, LOOK)) return
    // one side is taken for the real part and the other for the imaginary one: both come out of one transform
    kernels.layOut(room.left.at, room.right.at, LOOK, room.window.at, room.turned.at, re.at, im.at)
    kernels.transform(re.at, im.at, LOOK, room.cos.at, room.sin.at)
    room.into.view.set(into)
    kernels.addBands(re.at, im.at, LOOK, room.bands.at, room.lines, SCALE, room.into.at)
    into.set(room.into.view)
  }
}

/** Of a transform without a factor (Parseval), and of the window, which leaves 3/8 of the energy. */
const SCALE = 8 / (3 * LOOK * LOOK)
