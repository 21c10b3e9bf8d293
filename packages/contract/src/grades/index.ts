/** Marks of a class in the school's own scale. */
export * from './answers'
export * from './requests'
