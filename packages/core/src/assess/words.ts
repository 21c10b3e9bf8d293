/** "half a bar", "1 bar", "3½ bars". */
export function barsText(bars: number): string {
  const halves = Math.round(bars * 2) / 2
  if (halves < 0.5) return 'less than half a bar'
  if (halves === 0.5) return 'half a bar'
  const whole = Math.floor(halves)
  const text = `${whole}${halves > whole ? '½' : ''}`
  return `${text} ${halves === 1 ? 'bar' : 'bars'}`
}

/** Joins sentences parts as people list things: "a, b and c". */
export function listText(parts: readonly string[]): string {
  if (parts.length < 2) return parts.join('')
  return `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
}
