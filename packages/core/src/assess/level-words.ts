/**
 * A level in plain words, where they help and are true: +6 dB doubles the amplitude, about 10 dB halve or
 * double how loud it sounds. Empty where there is nothing worth saying.
 */
export function levelInWords(db: number): string {
  if (db <= -90) return 'nothing is heard'
  if (Math.abs(db) < 0.05) return 'as strong as recorded'
  if (Math.abs(db - 6) < 0.3) return 'twice the amplitude'
  if (Math.abs(db + 6) < 0.3) return 'half the amplitude'
  if (Math.abs(db + 10) < 0.6) return 'about half as loud'
  if (Math.abs(db + 20) < 1) return 'about a quarter as loud'
  if (db <= -48) return 'hardly heard'
  return ''
}
