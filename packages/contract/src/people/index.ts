/** Classes, who belongs to them, and how people come and go. */
export * from './answers'
export * from './requests'
