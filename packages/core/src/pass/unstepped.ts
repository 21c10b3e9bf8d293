import type { Sample } from '../envelope'

/** A value that stays for longer than this is held, in ticks; for less, it waits for the next message of a surface or a finger. */
const HELD = 240

/**
 * What a hand went through, without the stairs that it comes in: a surface and a finger tell a new value now and then, and in between
 * there is the old one. What was held is kept from its beginning to its end.
 * @param samples in rising time
 */
export function unstepped(samples: readonly Sample[]): Sample[] {
  const kept: Sample[] = []
  for (let i = 0; i < samples.length;) {
    let last = i
    while (last + 1 < samples.length && samples[last + 1]!.value === samples[i]!.value) last++
    kept.push(samples[i]!)
    const isEnd = last === samples.length - 1
    if (last > i && (isEnd || samples[last]!.tick - samples[i]!.tick > HELD)) kept.push(samples[last]!)
    i = last + 1
  }
  return kept
}
