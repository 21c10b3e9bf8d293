import { resolve } from '@rudlo/core/mix'
import { usePlayer } from '../../engine/player-store'
import { usePageKeys } from '../../ui/keys/page-keys'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'
import { useVersions } from './versions-store'

/** What the page does for a key, beside what the stores do. */
export interface ReviewKeys {
  tour(): void
  figures(): void
  takeNext(): void
  overruleNext(): void
  remark(): void
  comment(): void
  decide(outcome: 'accepted' | 'again'): void
  step(by: 1 | -1): void
  /** Shows the page of keys. */
  keys(): void
}

/** The keys of the review desk, as REVIEW_KEYS says them. */
export function useReviewKeys(page: ReviewKeys): void {
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

  usePageKeys({
    ' ': () => player.toggle(),
    o: () => player.setLoop(player.loop, !player.looping),
    v: () => player.setMoves(!player.moves),
    m: page.tour,
    s: soloLane,
    '1': () => hearNumber(0),
    '2': () => hearNumber(1),
    '3': () => hearNumber(2),
    '4': () => hearNumber(3),
    e: () => versions.setMatched(!versions.matched),
    h: () => versions.setBlind(versions.blind === null),
    f: page.figures,
    t: page.takeNext,
    x: page.overruleNext,
    r: page.remark,
    c: page.comment,
    j: () => review.takeProposals(),
    k: () => review.overruleMark(),
    a: () => page.decide('accepted'),
    w: () => page.decide('again'),
    n: () => page.step(1),
    p: () => page.step(-1),
    'Ctrl+z': () => suggestion.undo(),
    '?': page.keys,
  })
}
