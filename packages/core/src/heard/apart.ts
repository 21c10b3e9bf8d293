import type { Program } from '../engine'
import type { Mix } from '../mix'

type Sends = readonly { readonly to: string }[]

/** The returns that a track reaches, also by way of others. */
export function returnsOf(mix: Mix, id: string): Set<string> {
  const reached = new Set<string>()
  const follow = (sends: Sends) => {
    for (const { to } of sends) {
      if (reached.has(to)) continue
      reached.add(to)
      follow(mix.returns.find((r) => r.id === to)?.sends ?? [])
    }
  }
  follow(mix.tracks.find((t) => t.id === id)!.sends)
  return reached
}

/** Whether no other track reaches the returns of this one: what they give in the whole mix is then its share. */
export function hasReturnsAlone(mix: Mix, id: string): boolean {
  const own = returnsOf(mix, id)
  return mix.tracks.every((t) => t.id === id || ![...returnsOf(mix, t.id)].some((r) => own.has(r)))
}

/** The program of one track alone. The returns stay, since sends name them by place; those that get nothing cost nothing. */
export function programOf(program: Program, id: string): Program {
  return { ...program, tracks: program.tracks.filter((t) => t.id === id) }
}
