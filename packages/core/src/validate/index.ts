/** Checking of stored and received documents. Apart from `mix`, because it compiles code from schemas. */
export { checkMix, type MixCheck } from './mix'
export { checkChangedWork, checkWork, type WorkCheck } from './work'
export { checkSong, type SongCheck } from './song'
