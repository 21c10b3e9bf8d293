import { t } from './t'

/** How late something came, in words: hours under two days, else days. */
export function lateText(hours: number): string {
  return hours < 48
    ? t('term.late.hours', { n: Math.max(1, Math.round(hours)) })
    : t('term.late.days', { n: Math.round(hours / 24) })
}
