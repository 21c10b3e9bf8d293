/** Where sounds begin in a recording. */
export { findOnsets, type Onset } from './find-onsets'
