import { plainMix, type WorkDocument } from '@rudlo/core/mix'
import { shortSong } from '../../test/short-song'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import {
  did,
  EMPTY_HISTORY,
  packHistory,
  redo,
  undo,
  unpackHistory,
  type History,
  type Step,
} from './history'

const plain = plainMix(shortSong)
/** A work that is told from others by the gain of its track. */
const document = (n: number): WorkDocument => ({
  notes: [],
  mix: { ...plain, tracks: plain.tracks.map((t) => ({ ...t, gain: n })) },
})
const numberOf = ({ mix }: WorkDocument) => mix.tracks[0]!.gain
const step = (from: number, to: number): Step => ({
  label: `${from} to ${to}`,
  lanes: [],
  from: 0,
  to: 0,
  before: document(from),
  after: document(to),
})

it('undoes and redoes in any order, and always shows what was there', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('do', 'undo', 'redo'), { maxLength: 60 }), (moves) => {
      let history: History = EMPTY_HISTORY
      let shown = 0
      let made = 0
      // a plain model: every state there has been, and where we are
      let states = [0]
      let at = 0
      for (const move of moves) {
        if (move === 'do') {
          made++
          history = did(history, step(shown, made))
          shown = made
          states = [...states.slice(0, at + 1), made]
          at++
        } else {
          const moved = move === 'undo' ? undo(history) : redo(history)
          if (moved) {
            history = moved.history
            shown = numberOf(move === 'undo' ? moved.step.before : moved.step.after)
            at += move === 'undo' ? -1 : 1
          }
        }
        expect(shown).toBe(states[at])
        expect(history.done).toHaveLength(at)
      }
    }),
  )
})

it('outlives a reload: what was kept leads back through every state', () => {
  fc.assert(
    fc.property(fc.array(fc.integer(), { maxLength: 30 }), (values) => {
      const states = [0, ...values]
      const history = values.reduce<History>((h, v, i) => did(h, step(states[i]!, v)), EMPTY_HISTORY)
      const kept = structuredClone(packHistory(history))
      let read = unpackHistory(document(states.at(-1)!), kept)
      expect(read.done.map((s) => s.label)).toEqual(history.done.map((s) => s.label))
      for (let i = states.length - 1; i > 0; i--) {
        const back = undo(read)!
        expect(back.step.before).toEqual(document(states[i - 1]!))
        read = back.history
      }
      expect(undo(read)).toBeNull()
    }),
  )
})

it('keeps the newest hundred, and nothing that does not belong to the document', () => {
  let history: History = EMPTY_HISTORY
  for (let i = 0; i < 150; i++) history = did(history, step(i, i + 1))
  expect(packHistory(history)).toHaveLength(100)
  const strange = {
    label: '',
    lanes: [],
    from: 0,
    to: 0,
    back: [{ op: 'remove', path: '/mix/no/such' }] as const,
  }
  expect(unpackHistory(document(1), [strange])).toBe(EMPTY_HISTORY)
})
