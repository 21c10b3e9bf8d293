/** Web worker that plays the first tracks of a mix for another worker, which renders the rest of it. */
import { renderAhead, type AudioStore, type Handover, type Program } from '@rudlo/core/engine'
import { expose } from 'comlink'

const api = {
  /** Says that this worker is up. */
  ready: (): true => true,
  /** Plays until the other thread wants no more. */
  play: (program: Program, audio: AudioStore, tail: boolean, handover: Handover): void =>
    renderAhead(program, audio, { tail }, handover),
}
export type PlayAheadApi = typeof api
expose(api)
