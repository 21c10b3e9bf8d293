import type { Picture } from '../heard'

/** The loss of a fade in small, beside the even one. */
export interface SmallFade {
  /** How much softer it is than at its loud end, in LU at equal steps: 0…40; null where nothing is heard. */
  readonly loss: readonly (number | null)[]
  /** How far it is from the even fade on average, in LU. */
  readonly off: number
}

/** A build in small. */
export interface SmallBuild {
  /** How much the lines add, bar by bar, in LU; null for silence without them. */
  readonly adds: readonly (number | null)[]
  /** By how much the last bar is over the first, in LU. */
  readonly grows: number
}

/** A balance in small. */
export interface SmallBalance {
  /** Lead over the rest at equal steps, in LU; null where it does not sound. */
  readonly lead: readonly (number | null)[]
  /** The middle of it, in LU. */
  readonly middle: number
}

/** The best of each kind of picture of one hand-in, small enough for a line of them; null where there is none. */
export interface SmallPictures {
  readonly fade: SmallFade | null
  readonly build: SmallBuild | null
  readonly balance: SmallBalance | null
}

/** So many values are enough for a picture as large as a stamp. */
const STEPS = 32
/** A loss that is over for the ear, in LU. */
const GONE = 40
/** Less than that is no fade to anybody's ear, in LU. */
const HEARD_AS_FADE = 10
const tenth = (x: number) => Math.round(x * 10) / 10

/** Every so manieth of a list, first and last among them. */
function thinned<T>(list: readonly T[]): readonly T[] {
  if (list.length <= STEPS) return list
  return Array.from({ length: STEPS }, (_, i) => list[Math.round((i * (list.length - 1)) / (STEPS - 1))]!)
}

/** Of several pictures the best of each kind: the fade that is nearest to even, the build that grows most, the balance. */
export function smallPictures(pictures: readonly Picture[]): SmallPictures {
  const fades = pictures.flatMap((p) => (p.kind === 'fade' ? [smallFade(p.fade)] : []))
  const builds = pictures.flatMap((p) => (p.kind === 'build' && p.grows ? [smallBuild(p.build.bars)] : []))
  const balances = pictures.flatMap((p) => (p.kind === 'balance' ? [smallBalance(p.balance.bars)] : []))
  return {
    fade: best(fades, (f) => -f.off),
    build: best(builds, (b) => b.grows),
    balance: best(balances, (b) => -Math.abs(b.middle)),
  }
}

/** What is best; of equals the first. */
export function best<T>(list: readonly (T | null)[], worth: (one: T) => number): T | null {
  let found: T | null = null
  for (const one of list) if (one !== null && (found === null || worth(one) > worth(found))) found = one
  return found
}

function smallFade({
  loss,
  even,
}: {
  readonly loss: readonly (number | null)[]
  readonly even: readonly (number | null)[]
}): SmallFade | null {
  const inside = (x: number | null) => (x === null ? null : tenth(Math.min(GONE, Math.max(0, -x))))
  const offs = loss.flatMap((x, i) => {
    const [a, b] = [inside(x), inside(even[i] ?? null)]
    return a === null || b === null ? [] : [Math.abs(a - b)]
  })
  // a line that stays where it is is no fade
  if (!offs.length || Math.max(...loss.map((x) => -(x ?? -GONE))) < HEARD_AS_FADE) return null
  return { loss: thinned(loss).map(inside), off: tenth(offs.reduce((a, b) => a + b, 0) / offs.length) }
}

function smallBuild(bars: readonly { readonly adds: number | null }[]): SmallBuild | null {
  const adds = bars.map((b) => (b.adds === null ? null : tenth(b.adds)))
  const known = adds.filter((a): a is number => a !== null)
  if (known.length < 2) return null
  return { adds: thinned(adds), grows: tenth(known.at(-1)! - known[0]!) }
}

function smallBalance(bars: readonly { readonly lead: number | null }[]): SmallBalance | null {
  const lead = bars.map((b) => (b.lead === null ? null : tenth(b.lead)))
  const known = lead.filter((x): x is number => x !== null).sort((a, b) => a - b)
  if (!known.length) return null
  const [low, high] = [known[Math.floor((known.length - 1) / 2)]!, known[Math.ceil((known.length - 1) / 2)]!]
  return { lead: thinned(lead), middle: tenth((low + high) / 2) }
}
