/** The engine's inner loops in WebAssembly, and the memory they work in. */
export { EngineMemory, MemoryPart, type Doubles, type Floats, type Shorts } from './memory'
export type { Kernels } from './kernels'
export { PIECE, scratch } from './scratch'
