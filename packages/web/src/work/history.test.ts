import type { WorkDocument } from '@rudlo/core/mix'
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { did, EMPTY_HISTORY, redo, undo, type History, type Step } from './history'

const document = (n: number) => ({ notes: [], mix: { n } }) as unknown as WorkDocument
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
            shown = (move === 'undo' ? moved.step.before : moved.step.after).mix as unknown as number
            shown = (shown as unknown as { n: number }).n
            at += move === 'undo' ? -1 : 1
          }
        }
        expect(shown).toBe(states[at])
        expect(history.done).toHaveLength(at)
      }
    }),
  )
})
