/** Kinds of values that several requests have. */
export * from './as-sent'
export * from './ids'
export * from './moment'
export * from './revision'
export * from './text'
export * from './tick'
