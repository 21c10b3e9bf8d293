/** A range of bytes, both ends included. */
export interface ByteRange {
  readonly from: number
  readonly to: number
}

/**
 * Reads a Range header (RFC 9110) with a single range.
 * @returns the range; 'all' where none is asked for, or several are; 'beyond' where it cannot be given
 */
export function parseRange(header: string | undefined, size: number): ByteRange | 'all' | 'beyond' {
  const match = /^bytes=(\d*)-(\d*)$/.exec(header?.trim() ?? '')
  if (!match || (!match[1] && !match[2])) return 'all'
  if (!match[1]) {
    const last = Number(match[2])
    return last === 0 ? 'beyond' : { from: Math.max(0, size - last), to: size - 1 }
  }
  const from = Number(match[1])
  const to = match[2] ? Math.min(Number(match[2]), size - 1) : size - 1
  if (from >= size) return 'beyond'
  return to < from ? 'all' : { from, to }
}
