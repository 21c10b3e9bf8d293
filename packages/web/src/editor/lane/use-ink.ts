import { computed } from 'vue'
import { useThemeChoice } from '../../ui/theme/theme-store'
import { DARK, LIGHT } from '../../ui/theme/palette'
import type { Family } from '@rudlo/core/scale'
import type { Ink } from './draw-grid'

/** The theme's colours for a canvas, with those of a lane family for its line. */
export function useInk(family: () => Family) {
  const theme = useThemeChoice()
  // a colour of its own, so that the ink stays the same while only the lane's line changes
  const own = computed(family)
  return computed<Ink>(() => {
    const p = theme.name === 'dark' ? DARK : LIGHT
    return {
      rule: p.rule,
      soft: p.soft,
      wash: p.wash,
      wave: p.wave,
      sheet: p.sheet,
      ink: p.ink,
      line: p.family[own.value],
      warm: p.warm,
      desk: p.desk,
      onDesk: p.onDesk,
      font: "'Atkinson Hyperlegible Next Variable', 'Noto Sans Variable', sans-serif",
    }
  })
}
