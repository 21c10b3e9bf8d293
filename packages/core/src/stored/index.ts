/** The one reader of what was kept as JSON: nothing is taken for what it should be without a look. */
export * from './documents'
export * from './read'
export * from './shape'
