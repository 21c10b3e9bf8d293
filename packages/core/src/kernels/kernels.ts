import { bytesOfBase64 } from './base64'
import { BINARY } from './binary'

/** The memory of an instance. */
export interface GrowingMemory {
  readonly buffer: ArrayBuffer
  /** Adds pages of 64 KiB: `buffer` is then another one. */
  grow(pages: number): number
}

/** WebAssembly as every host has it; not every one of them declares its types. */
interface WebAssemblyHost {
  readonly Module: new (bytes: Uint8Array) => object
  readonly Instance: new (module: object, imports: object) => { readonly exports: unknown }
}
const { Module, Instance } = Reflect.get(globalThis, 'WebAssembly') as WebAssemblyHost

/** The inner loops of the engine, as packages/core/kernels has them. Addresses are bytes of the engine's memory. */
export interface Kernels {
  readonly memory: GrowingMemory
  heapStart(): number
  scale(x: number, n: number, gain: number): void
  multiply(x: number, y: number, n: number): void
  copyScaled(to: number, x: number, n: number, gain: number): void
  addScaled(to: number, x: number, n: number, gain: number): void
  addProduct(to: number, x: number, y: number, n: number, factor: number): void
  shapeRamped(to: number, x: number, n: number, start: number, step: number, sum: boolean): void
  place(
    left: number,
    right: number,
    n: number,
    level: number,
    level0: number,
    levelStep: number,
    left0: number,
    leftStep: number,
    right0: number,
    rightStep: number,
    outLeft: number,
    outRight: number,
    mainLeft: number,
    mainRight: number,
    direct: number,
  ): void
  addToTwo(
    left: number,
    right: number,
    n: number,
    leftA: number,
    rightA: number,
    gainA: number,
    leftB: number,
    rightB: number,
    gainB: number,
  ): void
  ramp(x: number, from: number, to: number, start: number, step: number, sum: boolean): void
  peak(x: number, n: number): number
  widen(left: number, right: number, n: number, width: number, shape: number): void
  blend(x: number, y: number, n: number, wet: number, w0: number, through: number, t0: number): void
  svf(left: number, right: number, n: number, stride: number, state: number, segments: number): void
  copySamples(to: number, x: number, n: number, gain: number): void
  addSamples(to: number, x: number, n: number, gain: number): void
  wholeSamples(to: number, x: number, n: number, above: number, below: number): void
  biquad(left: number, right: number, n: number, state: number, coefficients: number): void
  ringRead(ring: number, mask: number, from: number, to: number, n: number): void
  ringFade(ring: number, mask: number, from: number, to: number, n: number, share: number, step: number): void
  ringWrite(ring: number, mask: number, from: number, x: number, n: number): void
  echo(
    left: number,
    right: number,
    n: number,
    stereo: boolean,
    ringLeft: number,
    ringRight: number,
    mask: number,
    place: number,
    near: number,
    far: number,
    fading: number,
    fade: number,
    feedback: number,
    feedbackStep: number,
    lowCut: number,
    highCut: number,
    across: number,
    acrossStep: number,
    cuts: number,
  ): void
  damp(lines: number, n: number, bright: number, brightStep: number, state: number, gains: number): void
  mixLines(
    lines: number,
    n: number,
    inLeft: number,
    inRight: number,
    outLeft: number,
    outRight: number,
    scale: number,
    scaleStep: number,
  ): void
  weighted(left: number, right: number, n: number, state: number, coefficients: number, out: number): void
  weigh(left: number, right: number, n: number, state: number, coefficients: number): void
  products(rows: number, count: number, n: number, out: number): void
  truePeak(x: number, n: number, before: number, taps: number, growth: number, drift: number): number
  squares(x: number, n: number, last: number, out: number): void
  layOut(left: number, right: number, n: number, window: number, turned: number, re: number, im: number): void
  transform(re: number, im: number, n: number, cos: number, sin: number): void
  addBands(re: number, im: number, n: number, bands: number, lines: number, scale: number, into: number): void
}

let compiled: object | undefined

/** Kernels with a memory of their own. The code is compiled once. */
export function instantiateKernels(): Kernels {
  compiled ??= new Module(bytesOfBase64(BINARY))
  const imports = {
    env: {
      abort: () => {
        throw new Error('A kernel stopped.')
      },
    },
  }
  return new Instance(compiled, imports).exports as Kernels
}
