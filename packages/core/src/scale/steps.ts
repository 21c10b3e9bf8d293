/** What has steps, or none. */
interface Stepped {
  /** In rising order. */
  readonly steps?: readonly number[]
}

/** The step that is next to a value, for a control that has steps; the value itself for any other. */
export function onStep({ steps }: Stepped, value: number): number {
  if (!steps?.length) return value
  return steps.reduce((best, step) => (Math.abs(step - value) < Math.abs(best - value) ? step : best))
}

/** The step above (1) or below (−1) a value; null for a control without steps. */
export function stepFrom({ steps }: Stepped, value: number, by: 1 | -1): number | null {
  if (!steps?.length) return null
  const next =
    by > 0 ? steps.find((step) => step > value + 1e-6) : steps.findLast((step) => step < value - 1e-6)
  return next ?? (by > 0 ? steps.at(-1)! : steps[0]!)
}
