import type { Sample } from '../envelope'
import type { Scale } from '../scale'

/** A value that stays for longer than this is held, in ticks; for less, it waits for the next message of a surface. */
const HELD = 240
/** A step of seven bits, and a little more, as a share of the travel. What goes further at once was a hand. */
const STEP = 1.5 / 127

/**
 * What a hand went through, without the stairs that a surface tells it in: its values are whole steps of seven bits, and between two
 * of them there is the old one. What was held, and what leapt, is kept as it was.
 * @param samples in rising time
 */
export function unstepped(samples: readonly Sample[], scale: Scale): Sample[] {
  const kept: Sample[] = []
  for (let i = 0; i < samples.length;) {
    const { tick, value } = samples[i]!
    let last = i
    while (last + 1 < samples.length && samples[last + 1]!.value === value) last++
    kept.push(samples[i]!)
    const next = samples[last + 1]
    const isStep = next !== undefined && Math.abs(scale.toTravel(next.value) - scale.toTravel(value)) <= STEP
    if (last > i && (!isStep || samples[last]!.tick - tick > HELD)) kept.push(samples[last]!)
    i = last + 1
  }
  return kept
}
