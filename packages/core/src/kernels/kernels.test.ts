import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bytesOfBase64 } from './base64'
import { farthest, same } from '../../test/samples'
import { EngineMemory, type Floats } from '.'

const memory = new EngineMemory()
const part = memory.part()
const k = memory.kernels
const [x, y, z] = [part.floats(128), part.floats(128), part.floats(128)] as const

/** Any count of samples of a block, and what is in three blocks. */
const block = fc.record({
  n: fc.integer({ min: 1, max: 128 }),
  seed: fc.integer({ min: 1, max: 1e6 }),
  a: fc.float({ min: -2, max: 2, noNaN: true }),
  b: fc.float({ min: Math.fround(-0.1), max: Math.fround(0.1), noNaN: true }),
})

function fill(seed: number): void {
  let state = seed
  for (const { view } of [x, y, z]) {
    for (let i = 0; i < 128; i++) {
      state = (state * 48_271) % 2_147_483_647
      view[i] = state / 1_073_741_824 - 1
    }
  }
}

/** Runs a kernel on fresh noise, and holds every sample of `out` against a formula; what lies after stays as it was. */
function agrees(out: Floats, run: (n: number, a: number, b: number) => void, formula: Formula): void {
  fc.assert(
    fc.property(block, ({ n, seed, a, b }) => {
      fill(seed)
      const before = [x, y, z].map((f) => f.view.slice()) as [Float32Array, Float32Array, Float32Array]
      run(n, a, b)
      const expected = before[[x, y, z].indexOf(out)]!.map((was, i) =>
        i < n ? formula([before[0][i]!, before[1][i]!, before[2][i]!], i, a, b) : was,
      )
      expect(farthest(out.view, expected)).toBeLessThan(4e-6)
    }),
    { numRuns: 40 },
  )
}
type Formula = (at: readonly [number, number, number], i: number, a: number, b: number) => number

describe('gains and sums', () => {
  it('do what their formulas say, for any count of samples', () => {
    agrees(
      x,
      (n, a) => k.scale(x.at, n, a),
      ([p], _, a) => p * a,
    )
    agrees(
      x,
      (n) => k.multiply(x.at, y.at, n),
      ([p, q]) => p * q,
    )
    agrees(
      z,
      (n, a) => k.copyScaled(z.at, x.at, n, a),
      ([p], _, a) => p * a,
    )
    agrees(
      z,
      (n, a) => k.addScaled(z.at, x.at, n, a),
      ([p, , r], _, a) => r + p * a,
    )
    agrees(
      z,
      (n, a) => k.addProduct(z.at, x.at, y.at, n, a),
      ([p, q, r], _, a) => r + p * q * a,
    )
    agrees(
      z,
      (n, a, b) => k.shapeRamped(z.at, x.at, n, a, b, true),
      ([p, , r], i, a, b) => r + p * (a + b * i),
    )
    agrees(
      z,
      (n, a, b) => k.shapeRamped(z.at, x.at, n, a, b, false),
      ([p], i, a, b) => p * (a + b * i),
    )
    agrees(
      z,
      (n, a, b) => k.ramp(z.at, 0, n, a, b, true),
      ([, , r], i, a, b) => r + a + b * i,
    )
    agrees(
      x,
      (n, a, b) => k.blend(x.at, y.at, n, 0, Math.abs(b), z.at, 0),
      ([p, q, r], _, a, b) => p * (1 - Math.abs(b) * r) + q * Math.abs(b),
    )
    agrees(
      x,
      (n, a) => k.widen(x.at, y.at, n, a, 0),
      ([p, q], _, a) => (p + q) / 2 + ((p - q) / 2) * a,
    )
  })

  it('place a sound between two sides and on the bus, with a level for each sample or one that runs straight', () => {
    const [l, r, main, side] = [
      part.floats(128),
      part.floats(128),
      part.floats(128),
      part.floats(128),
    ] as const
    fc.assert(
      fc.property(block, fc.boolean(), fc.float({ min: 0, max: 1, noNaN: true }), (given, each, direct) => {
        const { n, seed, a, b } = given
        fill(seed)
        main.view.fill(0.25)
        side.view.fill(0.5)
        const level = each ? z.at : 0
        k.place(x.at, y.at, n, level, a, b, 0.7, b, 0.4, -b, l.at, r.at, main.at, side.at, direct)
        let worst = 0
        for (let i = 0; i < n; i++) {
          const v = each ? z.view[i]! : a + b * i
          const left = x.view[i]! * v * (0.7 + b * i)
          const right = y.view[i]! * v * (0.4 - b * i)
          // gains may reach two hundred here, and sums of large terms come near 0: what is compared is relative to the terms
          const terms = (Math.abs(a) + Math.abs(b) * i) * (0.7 + Math.abs(b) * i)
          const got = [l, r, main, side].map(({ view }) => view[i]!)
          const wanted = [left, right, 0.25 + left * direct, 0.5 + right * direct]
          worst = Math.max(worst, farthest(got, wanted) / (1 + terms))
        }
        expect(worst).toBeLessThan(4e-6)
      }),
    )
  })

  it('give two sides to two buses at once', () => {
    const buses = [1, 2, 3, 4].map(() => part.floats(128))
    fc.assert(
      fc.property(block, ({ n, seed, a, b }) => {
        fill(seed)
        buses.forEach(({ view }, i) => view.fill(i))
        const [lA, rA, lB, rB] = buses as [Floats, Floats, Floats, Floats]
        k.addToTwo(x.at, y.at, n, lA.at, rA.at, a, lB.at, rB.at, b)
        const given = [x.view.map((v) => v * a), y.view.map((v) => 1 + v * a)]
        given.push(
          x.view.map((v) => 2 + v * b),
          y.view.map((v) => 3 + v * b),
        )
        buses.forEach(({ view }, i) =>
          expect(farthest(view.subarray(0, n), given[i]!.subarray(0, n))).toBeLessThan(5e-6),
        )
      }),
    )
  })

  it('find the highest sample', () => {
    fc.assert(
      fc.property(block, ({ n, seed }) => {
        fill(seed)
        expect(k.peak(x.at, n)).toBe(Math.max(...x.view.slice(0, n).map(Math.abs)))
      }),
    )
  })

  it('read recorded samples', () => {
    const samples = part.shorts(128)
    samples.view.forEach((_, i) => (samples.view[i] = ((i * 7919) % 65_536) - 32_768))
    agrees(
      z,
      (n) => k.copySamples(z.at, samples.at, n, 1 / 32_768),
      (_, i) => samples.view[i]! / 32_768,
    )
    agrees(
      z,
      (n) => k.addSamples(z.at, samples.at, n, 1 / 32_768),
      ([, , r], i) => r + samples.view[i]! / 32_768,
    )
  })
})

describe('rings', () => {
  it('read and write round their end', () => {
    const ring = part.floats(256)
    fc.assert(
      fc.property(fc.integer({ min: -500, max: 500 }), fc.integer({ min: 1, max: 128 }), (from, n) => {
        fill(n)
        ring.view.fill(0)
        k.ringWrite(ring.at, 255, from, x.at, n)
        const written = new Float32Array(n).map((_, i) => ring.view[(from + i) & 255]!)
        expect(same(written, x.view.slice(0, n))).toBe(true)
        k.ringRead(ring.at, 255, from, z.at, n)
        expect(same(z.view.slice(0, n), x.view.slice(0, n))).toBe(true)
      }),
    )
  })
})

describe('the loop of a delay', () => {
  /** 40 blocks of noise through a delay; cuts so far out that nothing is cut take the long way round. */
  function echoed(delay: number, across: number, lowCut: number, frames: number): number[] {
    const [left, right] = [part.floats(128), part.floats(128)] as const
    const [one, two] = [part.floats(1024), part.floats(1024)] as const
    const cuts = part.doubles(4)
    const out: number[] = []
    let place = 0
    for (let run = 0; run < 40; run++) {
      fill(run + 1)
      left.view.set(x.view)
      right.view.set(y.view)
      const [a, b, mask] = [one.at, two.at, 1023] as const
      k.echo(
        left.at,
        right.at,
        frames,
        true,
        a,
        b,
        mask,
        place,
        delay,
        delay,
        0,
        1764,
        0.6,
        0.0005,
        lowCut,
        1,
        across,
        -across / 300,
        cuts.at,
      )
      place = (place + frames) & mask
      out.push(...left.view.slice(0, frames), ...right.view.slice(0, frames))
    }
    return out
  }

  it('is the same four samples at a time as one by one', () => {
    const delay = fc.integer({ min: 100, max: 800 })
    fc.assert(
      fc.property(
        delay,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 60, max: 128 }),
        (d, across, n) => {
          const quick = echoed(d, across, 0, n)
          const slow = echoed(d, across, 1e-300, n)
          expect(farthest(quick, slow)).toBeLessThan(1e-5)
        },
      ),
      { numRuns: 20 },
    )
  })
})

describe('the memory of an engine', () => {
  it('grows without losing what is in it, and every view follows', () => {
    const own = new EngineMemory()
    const first = own.part().floats(4)
    first.view.set([1, 2, 3, 4])
    const before = first.view
    const big = own.part().floats(2_000_000)
    big.view[1_999_999] = 5
    expect(before.length).toBe(0)
    expect([...first.view]).toEqual([1, 2, 3, 4])
    own.kernels.scale(first.at, 4, 2)
    expect([...first.view]).toEqual([2, 4, 6, 8])
  })

  it('gives out again what came back, empty', () => {
    const own = new EngineMemory()
    const taken = own.part()
    const piece = taken.floats(100)
    const { at } = piece
    piece.view.fill(7)
    taken.release()
    const again = own.part().floats(100)
    expect(again.at).toBe(at)
    expect(again.view.every((v) => v === 0)).toBe(true)
    expect(at % 16).toBe(0)
  })
})

describe('base64', () => {
  it('is read as everybody writes it', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 50 }), (bytes) => {
        expect([...bytesOfBase64(btoa(String.fromCharCode(...bytes)))]).toEqual([...bytes])
      }),
    )
  })
})

describe('the inside of a reverb', () => {
  it('damps each line by its low-pass and its gain, both moving, for any count of samples', () => {
    const LINE = 256
    const lines = part.floats(8 * LINE)
    const [state, gains] = [part.floats(8), part.floats(16)] as const
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: LINE }),
        fc.double({ min: 0.3, max: 0.9, noNaN: true }),
        fc.double({ min: -0.001, max: 0.0003, noNaN: true }),
        (n, bright, brighter) => {
          for (let i = 0; i < 8 * LINE; i++) lines.view[i] = Math.sin(i * 1.7) * 0.5
          for (let i = 0; i < 8; i++) {
            state.view[i] = 0.1 * i - 0.3
            gains.view[i] = 0.5 + 0.05 * i
            gains.view[8 + i] = 0.0004 * (i - 4)
          }
          const [x, s, g] = [lines.view.slice(), state.view.slice(), gains.view.slice()] as const
          k.damp(lines.at, n, bright, brighter, state.at, gains.at)
          for (let i = 0; i < 8; i++) {
            let after = s[i]!
            const out = new Float64Array(n)
            for (let t = 0; t < n; t++) {
              // the low-pass moves with every fourth sample
              after += (bright + brighter * (t - (t % 4))) * (x[i * LINE + t]! - after)
              out[t] = after * (g[i]! + t * g[8 + i]!)
            }
            const [from, to, end] = [i * LINE, i * LINE + n, (i + 1) * LINE]
            expect(farthest(lines.view.subarray(from, to), out)).toBeLessThan(2e-6)
            expect(Math.abs(state.view[i]! - after)).toBeLessThan(2e-6)
            expect(Math.abs(gains.view[i]! - (g[i]! + n * g[8 + i]!))).toBeLessThan(2e-5)
            expect(same(lines.view.subarray(to, end), x.subarray(to, end))).toBe(true)
          }
        },
      ),
      { numRuns: 30 },
    )
  })
})
