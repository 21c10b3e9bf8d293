import type { Envelope, Points } from '../envelope'
import type { Mix } from './mix'

/** A stretch of the song in ticks; `to` may be Infinity, for the end and all that rings after it. */
export interface Stretch {
  readonly from: number
  readonly to: number
}

const WHOLE: Stretch = { from: 0, to: Infinity }

/**
 * Where two mixes can sound different at all, leaving aside what still rings after it. Parts that two mixes share, as
 * edits leave them, are not looked into.
 * @returns null where they are alike
 */
export function changedStretch(before: Mix, after: Mix): Stretch | null {
  if (before === after) return null
  if (before.tracks !== after.tracks || before.returns !== after.returns || before.main !== after.main)
    return WHOLE
  const old = new Map(before.envelopes.map((e) => [e.address, e]))
  let found: Stretch | null = null
  const add = (stretch: Stretch | null) => {
    if (!stretch) return
    found = found ? { from: Math.min(found.from, stretch.from), to: Math.max(found.to, stretch.to) } : stretch
  }
  for (const envelope of after.envelopes) {
    add(changedLine(old.get(envelope.address), envelope))
    old.delete(envelope.address)
  }
  for (const gone of old.values()) if (gone.on && gone.points.length) add(WHOLE)
  return found
}

function changedLine(before: Envelope | undefined, after: Envelope): Stretch | null {
  const was = before?.on ? before.points : []
  const is = after.on ? after.points : []
  if (was === is || (!was.length && !is.length)) return null
  // a line that comes or goes takes over from the setting everywhere
  return was.length && is.length ? changedPoints(was, is) : WHOLE
}

/** From the last point that both begin with to the first that both end with. */
function changedPoints(a: Points, b: Points): Stretch | null {
  const shorter = Math.min(a.length, b.length)
  let first = 0
  while (first < shorter && same(a, first, b, first)) first++
  if (first === a.length && first === b.length) return null
  let last = 0
  while (last < shorter - first && same(a, a.length - 1 - last, b, b.length - 1 - last)) last++
  return {
    from: first > 0 ? a[first - 1]!.tick : 0,
    to: last > 0 ? a[a.length - last]!.tick : Infinity,
  }
}

function same(a: Points, i: number, b: Points, k: number): boolean {
  const p = a[i]!
  const q = b[k]!
  return p === q || (p.tick === q.tick && p.value === q.value && p.form === q.form && p.bend === q.bend)
}
