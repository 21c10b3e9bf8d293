/** What checks and mistakes look at, and how they say what they found. */
export * from './evidence'
export * from './finding'
export * from './say'
