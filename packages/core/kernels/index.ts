/**
 * The inner loops of the engine in AssemblyScript: WebAssembly with vectors, the same bits in every host. They work on
 * addresses of samples in the engine's own memory and keep nothing themselves.
 */
export * from './gain'
export * from './mixer'
export * from './filter'
export * from './ring'
export * from './echo'
export * from './network'
export * from './samples'
export * from './meter'
export * from './products'
export * from './spectrum'

/** First address that is free. */
export function heapStart(): usize {
  return (__heap_base + 15) & ~15
}
