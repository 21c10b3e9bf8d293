/** What is heard of a track or an echo, whatever control makes it: the effective line behind the lines. */
export { besideLevel, effectiveAgainst, effectiveLevel, touched, type Effective } from './level'
export { echoPath, effectiveEcho, waysTo, type EchoPath } from './echo'
