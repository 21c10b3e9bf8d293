import type { Mix } from '../mix'

/**
 * What a mix was made into, as a text that is the same for the same lines and settings, whatever the ids of its lines: to
 * see whether two people handed the same in. Null where nothing differs from the starting mix.
 */
export function fingerprint(start: Mix, mix: Mix): string | null {
  const text = essence(mix)
  return text === essence(start) ? null : text
}

function essence({ tracks, returns, main, envelopes }: Mix): string {
  const lines = envelopes
    .filter((e) => e.points.length)
    .map((e) => [e.address, e.on, e.points.map((p) => [p.tick, p.value, p.form, p.bend])] as const)
    .sort((a, b) => (a[0] < b[0] ? -1 : 1))
  return JSON.stringify([tracks, returns, main, lines])
}
