import { words } from '@rudlo/words'

/**
 * A level in plain words, where they help and are true: +6 dB doubles the amplitude, about 10 dB halve or
 * double how loud it sounds. Empty where there is nothing worth saying.
 */
export function levelInWords(db: number): string {
  if (db <= -90) return words('level.nothing')
  if (Math.abs(db) < 0.05) return words('level.as-recorded')
  if (Math.abs(db - 6) < 0.3) return words('level.twice')
  if (Math.abs(db + 6) < 0.3) return words('level.half')
  if (Math.abs(db + 10) < 0.6) return words('level.half-as-loud')
  if (Math.abs(db + 20) < 1) return words('level.quarter-as-loud')
  if (db <= -48) return words('level.hardly')
  return ''
}
