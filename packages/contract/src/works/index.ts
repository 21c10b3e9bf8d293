/** Works of students: saving, tries, hints. */
export * from './answers'
export * from './commands'
export * from './requests'
