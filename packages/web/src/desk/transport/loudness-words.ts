/** Loudness that people stream at: what a song is compared with. */
const USUAL = -16

/** What a momentary or short-term loudness is like. @param lufs −Infinity for silence */
export function loudnessInWords(lufs: number): string {
  if (lufs < -60) return 'silence'
  if (lufs < -36) return 'very soft'
  if (lufs < -26) return 'soft'
  if (lufs < -18) return 'medium'
  return lufs < -11 ? 'loud' : 'very loud'
}

/** The whole song beside what is usual. @param lufs null for silence */
export function songInWords(lufs: number | null): string {
  if (lufs === null) return 'silence'
  const by = Math.round(lufs - USUAL)
  if (Math.abs(by) <= 1) return 'about as loud as songs usually are'
  return by > 0 ? `${by} LU louder than songs usually are` : `${-by} LU softer than songs usually are`
}

/** How much room the highest peak leaves. @param dbtp null for silence or not known */
export function roomInWords(dbtp: number | null): string {
  if (dbtp === null || !Number.isFinite(dbtp)) return 'nothing to hear'
  if (dbtp > 0) return `too hot: it is cut off at the top, take ${(dbtp + 1).toFixed(1)} dB off`
  if (dbtp > -1) return 'just fits, with no room to spare'
  return `${(-dbtp).toFixed(1)} dB of room above the highest peak`
}
