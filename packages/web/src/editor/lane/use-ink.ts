import { computed } from 'vue'
import { useThemeChoice } from '../../ui/theme/theme-store'
import { DARK, LIGHT } from '../../ui/theme/palette'
import type { Family } from '@rudlo/core/scale'
import type { Ink } from './draw-grid'
import type { Kin } from './lane-sign'

/** The theme's colours for a canvas, with that of a lane for its line: of its family, or its own beside others of that family. */
export function useInk(family: () => Family, kin: () => Kin = () => 0) {
  const theme = useThemeChoice()
  // a colour of its own, so that the ink stays the same while only the lane's line changes
  const own = computed(family)
  const which = computed(kin)
  return computed<Ink>(() => {
    const p = theme.name === 'dark' ? DARK : LIGHT
    return {
      rule: p.rule,
      soft: p.soft,
      wash: p.wash,
      wave: p.wave,
      sheet: p.sheet,
      ink: p.ink,
      line: which.value && own.value !== 'tempo' ? p.kin[own.value][which.value - 1]! : p.family[own.value],
      kin: which.value,
      warm: p.warm,
      desk: p.desk,
      onDesk: p.onDesk,
      font: "'Atkinson Hyperlegible Next Variable', 'Noto Sans Variable', sans-serif",
    }
  })
}
