import { clamp, stepFrom, type Control } from '@rudlo/core/scale'
import { t } from '../../words/t'

/** What the arrow keys mean: a step in time, a step of the value. */
export const ARROWS: Readonly<Record<string, readonly [time: -1 | 0 | 1, value: -1 | 0 | 1]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
}

/** Below this a level moves by travel: steps of a decibel would never get it out of silence. */
const QUIET_DB = -40

/** The value one step up (1) or down (−1): a decibel or a fiftieth of the travel; `fine` a tenth of that. */
export function nudged(control: Control, value: number, by: 1 | -1, fine: boolean): number {
  const { scale } = control
  if (scale.kind === 'switch') return by > 0 ? 1 : 0
  const step = stepFrom(control, value, by)
  if (step !== null) return step
  if (scale.kind === 'level' && value + by > QUIET_DB) {
    return clamp(tidied(scale.kind, value + by * (fine ? 0.1 : 1)), scale.min, scale.max)
  }
  return tidied(scale.kind, scale.toValue(clamp(scale.toTravel(value) + by * (fine ? 0.002 : 0.02), 0, 1)))
}

/** A value without the digits that a hand cannot mean: tenths of a decibel. */
export function tidied(kind: Control['scale']['kind'], value: number): number {
  return kind === 'level' ? Math.round(value * 10) / 10 : Math.round(value * 1000) / 1000
}

/** What a change of level means to the ear or to the signal, where that can be said simply and is true; else nothing. */
export function changeInWords(db: number): string {
  const near = (wanted: number, reach: number) => Math.abs(Math.abs(db) - wanted) <= reach
  if (near(10, 0.6)) return db > 0 ? t('ear.twice-loud') : t('ear.half-loud')
  if (near(6, 0.3)) return db > 0 ? t('ear.twice-amplitude') : t('ear.half-amplitude')
  if (near(3, 0.2)) return db > 0 ? t('ear.half-more') : t('ear.seven-tenths')
  return ''
}
