/** The song version: what an assignment and a hand-in pin; and how recordings become one. */
export * from './song'
export {
  downbeatOf,
  letterOf,
  metersByBar,
  PLAIN_TIMING,
  roleByName,
  sectionsAt,
  songOfStems,
  startsTogether,
  withMeters,
  withTiming,
  type MeterAtBar,
  type Stem,
  type Timing,
} from './make-song'
export { plainName } from './plain-name'
