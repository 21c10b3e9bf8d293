import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { Sign } from '../../ui/marks/sign'
import { standingOf } from './standing'

/** What a student sees first: the one thing to do next, what came back, and everything in the order of the term. */
export interface Term {
  readonly next: AssignmentCard | null
  readonly back: readonly AssignmentCard[]
  readonly all: readonly AssignmentCard[]
}

/** In the order in which they are due; what is never due comes last. */
export const inOrder = (cards: readonly AssignmentCard[]): AssignmentCard[] =>
  [...cards].sort(
    (a, b) =>
      (a.dueAt ?? '9').localeCompare(b.dueAt ?? '9') ||
      (a.opensAt ?? '').localeCompare(b.opensAt ?? '') ||
      a.title.localeCompare(b.title),
  )

/** @param now what is not open yet is nothing to do */
export function termOf(cards: readonly AssignmentCard[], now: Date): Term {
  const all = inOrder(cards)
  const of = (...signs: readonly Sign[]) => all.filter((c) => signs.includes(standingOf(c).sign))
  const open = of('new', 'going').filter((c) => !c.opensAt || new Date(c.opensAt) <= now)
  const back = of('back')
  // what is due soonest; of what is late, what came first
  return { next: open[0] ?? null, back, all }
}

/** What a teacher sees: what waits first, then the others, and drafts apart. */
export interface Desk {
  readonly given: readonly AssignmentCard[]
  readonly drafts: readonly AssignmentCard[]
}

/** @param search words of the title or the song; @param group name of a class; empty for all */
export function deskOf(cards: readonly AssignmentCard[], search: string, group: string): Desk {
  const wanted = search.trim().toLowerCase()
  const fits = (c: AssignmentCard) =>
    (!group || c.group === group) &&
    (!wanted || `${c.title} ${c.song} ${c.group}`.toLowerCase().includes(wanted))
  const shown = inOrder(cards).filter(fits)
  return {
    given: shown
      .filter((c) => !c.draft)
      .sort((a, b) => Number((b.counts?.waiting ?? 0) > 0) - Number((a.counts?.waiting ?? 0) > 0)),
    drafts: shown.filter((c) => c.draft),
  }
}
