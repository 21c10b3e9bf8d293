/** Assignments: briefs, models, exceptions, several groups. */
export * from './answers'
export * from './requests'
