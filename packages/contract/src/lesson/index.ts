/** Who is where during a lesson, help, and places that are pointed at. */
export * from './answers'
export * from './requests'
