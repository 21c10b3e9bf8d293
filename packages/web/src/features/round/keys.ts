import type { ShortcutGroup } from '../../ui/keys/shortcuts'
import { t } from '../../words/t'
import type { useRound } from './round-store'

/** The keys of the round: each hand-in is heard and marked without the mouse. */
export function roundKeys(round: ReturnType<typeof useRound>, help: () => void): readonly ShortcutGroup[] {
  const to = (by: number) => {
    const next = Math.min(round.rows.length - 1, Math.max(0, round.at + by))
    if (round.going) void round.play(next)
    else round.hear(next)
  }
  const marks = Object.fromEntries(
    ['1', '2', '3', '4', '5', '6'].map((key, i) => [
      key,
      () => {
        if (i < (round.assignment?.rubric.levels.length ?? 0)) void round.mark(round.at, i)
      },
    ]),
  )
  return [
    {
      title: t('round.title'),
      keys: [
        { shown: t('keys.space'), what: t('round.keys.play'), on: { ' ': () => void round.toggle() } },
        { shown: '↑ ↓', what: t('round.keys.step'), on: { ArrowUp: () => to(-1), ArrowDown: () => to(1) } },
        { shown: '1 2 3 4', what: t('round.keys.mark'), on: marks },
        { shown: '?', what: t('keys.these'), on: { '?': help } },
      ],
    },
  ]
}
