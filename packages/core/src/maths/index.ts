/** Maths kernels that give the same bits in every host: the only ones the engine may use. */
export { exp } from './exp'
export { log, log10, log1p, expm1 } from './log'
export { pow, gainOfDb, dbOfGain } from './pow'
export { sinPi, cosPi, tanPi } from './trig'
