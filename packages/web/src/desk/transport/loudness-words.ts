import { t } from '../../words/t'
/** Loudness that people stream at: what a song is compared with. */
const USUAL = -16

/** What a momentary or short-term loudness is like. @param lufs −Infinity for silence */
export function loudnessInWords(lufs: number): string {
  if (lufs < -60) return 'silence'
  if (lufs < -36) return t('loud.very-soft')
  if (lufs < -26) return 'soft'
  if (lufs < -18) return 'medium'
  return lufs < -11 ? 'loud' : t('loud.very-loud')
}

/** The whole song beside what is usual. @param lufs null for silence */
export function songInWords(lufs: number | null): string {
  if (lufs === null) return 'silence'
  const by = Math.round(lufs - USUAL)
  if (Math.abs(by) <= 1) return t('loud.usual')
  return by > 0 ? t('loud.louder', { by }) : t('loud.softer', { by: -by })
}

/** How much room the highest peak leaves. @param dbtp null for silence or not known */
export function roomInWords(dbtp: number | null): string {
  if (dbtp === null || !Number.isFinite(dbtp)) return t('loud.nothing')
  if (dbtp > 0) return t('loud.hot', { by: (dbtp + 1).toFixed(1) })
  if (dbtp > -1) return t('loud.just-fits')
  return t('loud.room', { by: (-dbtp).toFixed(1) })
}
