import type { LineOfOne } from '@rudlo/contract/handins'
import { middleHalf } from '@rudlo/core/compare'
import { resolve, type Address, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'

/** From so many lines on they have a middle half. */
const LEAST = 3

/** Whose lines are looked at together; undefined or null while it is on the way. */
export interface CrowdOf {
  readonly song: SongVersion | undefined
  readonly start: Mix | undefined
  /** Empty for none. */
  readonly lane: Address | '' | null | undefined
  readonly lines: readonly LineOfOne[] | null
}

/** Everybody's line of one lane, as a crowd draws it: its control, those who have a line, and where the middle half lies. */
export function useCrowd(of: () => CrowdOf) {
  const control = computed(() => {
    const { start, lane } = of()
    return start && lane ? (resolve(start, lane)?.control ?? null) : null
  })
  const drawn = computed(() =>
    (of().lines ?? []).flatMap((l) => (l.points ? [{ ...l, points: l.points }] : [])),
  )
  const middle = computed(() => {
    const { song } = of()
    return control.value && song && drawn.value.length >= LEAST
      ? middleHalf(
          drawn.value.map((l) => l.points),
          control.value.scale,
          song.length,
        )
      : null
  })
  return { control, drawn, middle }
}
