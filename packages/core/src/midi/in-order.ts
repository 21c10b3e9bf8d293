const MOST = 5000

/** Changes in order, the last one of each place; from tick 0 on, where there is one that holds first. */
export function inOrder<T extends { readonly tick: number }>(changes: readonly T[], first: T | null): T[] {
  const byTick = new Map(changes.map((c) => [c.tick, c]))
  if (first && !byTick.has(0)) byTick.set(0, first)
  return [...byTick.values()].sort((a, b) => a.tick - b.tick).slice(0, MOST)
}
