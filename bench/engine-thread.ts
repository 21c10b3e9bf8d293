/** Runs in a worker of the page of engine-page.ts: one of two threads that render a mix. */
import { render, renderAhead, type AudioStore, type Handover, type Program } from '@rudlo/core/engine'

/** What a thread is to do: the first tracks for the other one, or all that comes after them. */
export interface Half {
  readonly role: 'ahead' | 'after'
  readonly program: Program
  readonly audio: AudioStore
  readonly handover: Handover
}

addEventListener('message', ({ data }: MessageEvent<Half>) => {
  const { role, program, audio, handover } = data
  if (role === 'ahead') renderAhead(program, audio, {}, handover)
  const sound = role === 'after' ? render(program, audio, { before: handover }) : null
  postMessage(sound, { transfer: sound ? [sound.left.buffer, sound.right.buffer] : [] })
})
postMessage('up')
