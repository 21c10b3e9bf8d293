import type { EffectProgram, Program, SendProgram } from './program'

/** What a track or return is made of: what it goes through and where it is sent. */
interface Path {
  readonly id: string
  readonly effects: readonly EffectProgram[]
  readonly sends: readonly SendProgram[]
}

/**
 * Whether the sound takes the same path in two programs, so that one follows on the other with ramps alone: the same
 * effects in the same order, the same sends to the same returns. Allocates nothing.
 */
export function isSamePath(a: Program, b: Program): boolean {
  return samePaths(a.tracks, b.tracks) && samePaths(a.returns, b.returns)
}

function samePaths(a: readonly Path[], b: readonly Path[]): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) {
    const [one, two] = [a[i]!, b[i]!]
    if (one.id !== two.id || !sameEffects(one.effects, two.effects) || !sameSends(one.sends, two.sends))
      return false
  }
  return true
}

function sameEffects(a: readonly EffectProgram[], b: readonly EffectProgram[]): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) {
    const [one, two] = [a[i]!, b[i]!]
    if (one.id !== two.id || one.kind !== two.kind || one.mode !== two.mode) return false
  }
  return true
}

function sameSends(a: readonly SendProgram[], b: readonly SendProgram[]): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) {
    const [one, two] = [a[i]!, b[i]!]
    if (one.id !== two.id || one.to !== two.to || one.tap !== two.tap) return false
  }
  return true
}
