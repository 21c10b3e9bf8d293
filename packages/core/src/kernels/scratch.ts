import { EngineMemory } from './memory'

/** Samples that are measured at a time. */
export const PIECE = 4096

/** What the meters' kernels work in. Nothing stays in it from one call to the next, so that all meters of a thread share it. */
function makeScratch() {
  const memory = new EngineMemory()
  const part = memory.part()
  return {
    memory,
    kernels: memory.kernels,
    samples: part.floats(PIECE + 16),
    whole: part.shorts(PIECE),
    state: part.doubles(8),
    coefficients: part.doubles(7),
    taps: part.doubles(24),
    out: part.doubles(2),
  }
}

let made: ReturnType<typeof makeScratch> | undefined

/** The scratch memory of this thread, made when it is first wanted. */
export const scratch = () => (made ??= makeScratch())
