import { resolve } from '@rudlo/core/mix'
import { usePlayer } from '../../engine/player-store'
import type { ShortcutGroup } from '../../ui/keys/shortcuts'
import { t } from '../../words/t'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'
import { useVersions } from './versions-store'

/** What the page does for a key, beside what the stores do. */
export interface ReviewKeys {
  tour(): void
  /** Shows something below the line; again: what is heard. */
  below(what: 'figures' | 'tracks'): void
  /** Opens and closes the list of hand-ins. */
  queue(): void
  takeNext(): void
  overruleNext(): void
  remark(): void
  /** Begins to speak a remark: it ends when the key comes up. */
  speak(): void
  comment(): void
  decide(outcome: 'accepted' | 'again'): void
  step(by: 1 | -1): void
  /** Shows the page of keys. */
  keys(): void
}

/** The keys of the review desk: what the page listens to and what it lists. */
export function useReviewKeys(page: ReviewKeys): readonly ShortcutGroup[] {
  const review = useReview()
  const versions = useVersions()
  const suggestion = useSuggestion()
  const player = usePlayer()

  function hearNumber(index: number): void {
    const choice = versions.choices[index]
    if (choice) versions.hear(choice.key)
  }

  /** The track of the lane on the desk, alone. */
  function soloLane(): void {
    const owner = resolve(review.mix!, review.address)?.owner
    if (!owner) return
    const kind = review.song!.tracks.some((t) => t.id === owner) ? 'tracks' : 'returns'
    player.toggleSolo(kind, owner, true)
  }

  return [
    {
      title: t('keys.listening'),
      keys: [
        { shown: t('keys.space'), what: t('keys.play'), on: { ' ': () => player.toggle() } },
        {
          shown: '1 2 3 4',
          what: t('keys.hear'),
          on: {
            '1': () => hearNumber(0),
            '2': () => hearNumber(1),
            '3': () => hearNumber(2),
            '4': () => hearNumber(3),
          },
        },
        { shown: 'V', what: t('keys.moves'), on: { v: () => player.setMoves(!player.moves) } },
        { shown: 'M', what: t('keys.tour'), on: { m: page.tour } },
        { shown: 'S', what: t('keys.solo'), on: { s: soloLane } },
        { shown: 'E', what: t('keys.match'), on: { e: () => versions.setMatched(!versions.matched) } },
        { shown: 'H', what: t('keys.names'), on: { h: () => versions.setBlind(versions.blind === null) } },
        { shown: 'O', what: t('keys.loop'), on: { o: () => player.setLoop(player.loop, !player.looping) } },
      ],
    },
    {
      title: t('keys.saying'),
      keys: [
        { shown: 'T', what: t('keys.take'), on: { t: page.takeNext } },
        { shown: 'X', what: t('keys.overrule'), on: { x: page.overruleNext } },
        { shown: 'R', what: t('keys.remark'), on: { r: page.remark } },
        { shown: t('keys.hold-d'), what: t('keys.speak'), on: { d: page.speak } },
        { shown: t('keys.ctrl-enter'), what: t('keys.pin') },
        { shown: 'J', what: t('keys.marks'), on: { j: () => review.takeProposals() } },
        { shown: 'K', what: t('keys.overrule-mark'), on: { k: () => review.overruleMark() } },
        { shown: 'C', what: t('keys.comment'), on: { c: page.comment } },
        { shown: t('keys.esc'), what: t('keys.leave') },
        { shown: t('keys.ctrl-z'), what: t('keys.undo'), on: { 'Ctrl+z': () => suggestion.undo() } },
      ],
    },
    {
      title: t('keys.hand-ins'),
      keys: [
        { shown: 'A', what: t('keys.accept'), on: { a: () => page.decide('accepted') } },
        { shown: 'W', what: t('keys.again'), on: { w: () => page.decide('again') } },
        { shown: 'N P', what: t('keys.step'), on: { n: () => page.step(1), p: () => page.step(-1) } },
        { shown: 'F', what: t('keys.figures'), on: { f: () => page.below('figures') } },
        { shown: 'Q', what: t('keys.queue'), on: { q: page.queue } },
        { shown: '?', what: t('keys.these'), on: { '?': page.keys } },
      ],
    },
  ]
}
