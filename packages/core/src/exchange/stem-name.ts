/** The name of a stem's file, `01 Name.wav`, with nothing in it that a file name cannot have. `index` from 0. */
export function stemName(index: number, track: string): string {
  const safe = track
    .replace(/[^\p{L}\p{N} ._-]/gu, '')
    .replace(/^[. ]+/, '')
    .trim()
  return `${String(index + 1).padStart(2, '0')} ${safe || 'track'}.wav`
}
