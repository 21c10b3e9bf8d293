import { envelopeOf, type Mix } from '@rudlo/core/mix'
import type { SaidMistake } from '@rudlo/sentences'
import { computed, shallowRef } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'

/** A mix in which a mistake is mended, and what doing that is called. */
export interface Mended {
  readonly mix: Mix
  readonly label: string
}

/** Under which it is heard instead of the work. */
const HEARD = 'repair'

/**
 * A repair that is tried, not done: it lies as a faint line beside the own one, can be heard, and becomes one step only where it is
 * taken.
 */
export function useTriedRepair() {
  const desk = useDesk()
  const work = useWork()
  const tried = shallowRef<(Mended & { readonly mistake: SaidMistake }) | null>(null)
  const heard = computed(() => tried.value !== null && work.heard === HEARD)

  /** Shows what a repair would make of a line. */
  function offer(mistake: SaidMistake, mended: Mended): void {
    leave()
    desk.showPlace(mistake.place)
    tried.value = { ...mended, mistake }
    const { lane } = mistake.place
    if (lane) desk.hinted = { lane, points: envelopeOf(mended.mix, lane)?.points ?? [] }
  }

  /** Lets it be heard instead of the work; the second time, the work again. */
  function hear(): void {
    if (!tried.value) return
    if (heard.value) work.hear(null, null)
    else work.hear(HEARD, { mix: tried.value.mix, notes: work.notes })
  }

  /** Takes it, as one step. @returns the mistake that it mends; null where nothing was tried */
  function take(): SaidMistake | null {
    const now = tried.value
    leave()
    if (!now) return null
    const { mistake, mix, label } = now
    const { lane, from, to } = mistake.place
    work.setMix(() => mix, { label, lanes: lane ? [lane] : [], from, to })
    return mistake
  }

  /** Leaves the line as it is. */
  function leave(): void {
    if (heard.value) work.hear(null, null)
    if (tried.value) desk.hinted = null
    tried.value = null
  }

  return { tried, heard, offer, hear, take, leave }
}
