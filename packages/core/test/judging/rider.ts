/**
 * A model of a hand on a fader, for sets that what judges lines is held against. It is made from what is known of hands and shares
 * nothing with the finder: a second-order response that may overshoot, a delay, trembling, corrections, and what recording and
 * thinning make of it.
 */
import type { Chance, DrawnPoint } from '../drawn/hand'

/** Where the hand means to be: it goes from the last aim to this one between `from` and `to`, in seconds. Heights are travel, 0…1. */
export interface Plan {
  readonly from: number
  readonly to: number
  readonly height: number
}

/** What somebody's hand is like today. */
export interface Hand {
  /** Seconds behind the music; negative for somebody who is early. */
  readonly delay: number
  /** Damping of the arm: 1 does not overshoot, 0.5 does by a sixth. */
  readonly damping: number
  /** How fast it answers, in radians a second. */
  readonly quickness: number
  /** Share of a quick move by which it goes too far, rests and corrects itself. */
  readonly too: number
  /** How far it trembles, in travel. */
  readonly trembles: number
  /** Whether what was recorded is thinned out. */
  readonly thinned: boolean
}

export const someHand = (c: Chance): Hand => ({
  delay: c.between(-0.08, 0.16),
  damping: c.between(0.55, 1.1),
  quickness: c.between(9, 16),
  too: c.next() < 0.5 ? 0 : c.between(0.02, 0.2),
  trembles: c.between(0.0005, 0.004),
  thinned: c.next() < 0.7,
})

/** Moves that take less, in seconds, are thrown and not ridden: those are the ones that go too far. */
export const THROWN = 1.2

/** The plan of a hand that goes too far, rests a moment and corrects itself. */
function corrected(start: number, plans: readonly Plan[], { too }: Hand, c: Chance): Plan[] {
  let before = start
  return plans.flatMap((plan, i) => {
    const way = plan.height - before
    before = plan.height
    const next = plans[i + 1]?.from ?? Infinity
    const rests = c.between(0.12, 0.5)
    const back = c.between(0.15, 0.35)
    const goes = plan.height + way * too
    if (!too || plan.to - plan.from > THROWN || next - plan.to < rests + back + 0.3 || goes > 1 || goes < 0)
      return [plan]
    return [
      { ...plan, height: goes },
      { from: plan.to + rests, to: plan.to + rests + back, height: plan.height },
    ]
  })
}

/** Smallest jerk: how people move from here to there (Flash and Hogan 1985). */
const smooth = (u: number) => u * u * u * (10 - 15 * u + 6 * u * u)

/** What was ridden, 50 times a second. @returns seconds and travel */
export function ridden(start: number, plans: readonly Plan[], length: number, hand: Hand, c: Chance) {
  const all = corrected(start, plans, hand, c)
  const STEP = 0.005
  const phases = [c.next(), c.next(), c.next()].map((p) => p * 6.3)
  let x = start
  let v = 0
  const samples: { at: number; height: number }[] = []
  for (let n = 0; n * STEP <= length; n++) {
    const t = n * STEP
    const then = t - hand.delay
    let target = start
    for (const plan of all) {
      if (then < plan.from) break
      const u = Math.min(1, (then - plan.from) / Math.max(0.06, plan.to - plan.from))
      // a slow ride is even, a short way starts and ends gently
      target += (plan.height - target) * (plan.to - plan.from > THROWN ? u : smooth(u))
    }
    const pull = hand.quickness ** 2 * (target - x) - 2 * hand.damping * hand.quickness * v
    v += pull * STEP
    x += v * STEP
    // at the stops a fader stands still
    if (x <= 0 || x >= 1) [x, v] = [Math.min(1, Math.max(0, x)), 0]
    const shakes =
      x < 0.004
        ? 0
        : hand.trembles *
          (0.5 * Math.sin(8.7 * 6.28 * t + phases[0]!) +
            0.6 * Math.sin(1.3 * 6.28 * t + phases[1]!) +
            0.8 * Math.sin(0.37 * 6.28 * t + phases[2]!))
    if (n % 4 === 0) samples.push({ at: t, height: x < 0.004 ? 0 : Math.min(1, Math.max(0, x + shakes)) })
  }
  return samples
}

/** Leaves out what lies near the straight way between its neighbours (Douglas and Peucker 1973). */
export function peucker<T extends { at: number; height: number }>(samples: readonly T[], near: number): T[] {
  const keep = new Uint8Array(samples.length)
  const go = (a: number, b: number) => {
    let worst = near
    let at = -1
    for (let i = a + 1; i < b; i++) {
      const u = (samples[i]!.at - samples[a]!.at) / (samples[b]!.at - samples[a]!.at)
      const off = Math.abs(samples[i]!.height - (samples[a]!.height * (1 - u) + samples[b]!.height * u))
      if (off > worst) [worst, at] = [off, i]
    }
    if (at < 0) return
    keep[at] = 1
    go(a, at)
    go(at, b)
  }
  keep[0] = keep[samples.length - 1] = 1
  go(0, samples.length - 1)
  return samples.filter((_, i) => keep[i])
}

/** What a pass leaves in the lane: thinned, or every change of it. */
export function recorded(samples: ReturnType<typeof ridden>, { thinned }: Hand) {
  if (thinned) return peucker(samples, 0.005)
  const same = (i: number, j: number) => samples[i]?.height === samples[j]?.height
  return samples.filter((_, i) => !same(i, i - 1) || !same(i, i + 1))
}

export const straightPoint = (tick: number, value: number): DrawnPoint => ({
  tick,
  value,
  form: 'straight',
  bend: 0,
})
