/** Marks, remarks, replies, and the bank of remarks. */
export * from './answers'
export * from './requests'
