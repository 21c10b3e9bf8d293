/** What checks and mistakes look at, and what they found. */
export * from '../saying'
export * from './evidence'
export * from './finding'
export * from './say'
