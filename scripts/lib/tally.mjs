/** More second tries than this share of all that is done in a browser make a run fail: something is not steady. */
const MOST_AGAIN = 0.01
const IN_BROWSER = ['components', 'stories', 'sound']

const zero = () => ({ passed: 0, failed: 0, skipped: 0, again: 0, ms: 0 })

/** Counts what the suites of a test run found, and how long each took. */
export class Tally {
  #suites = new Map()
  #failures = []
  #begun = performance.now()

  #of(suite) {
    if (!this.#suites.has(suite)) this.#suites.set(suite, zero())
    return this.#suites.get(suite)
  }

  /** @param found {{ passed?: number, failed?: number, skipped?: number, again?: number }} `again`: passed at a second try */
  add(suite, found) {
    const sum = this.#of(suite)
    for (const [key, n] of Object.entries(found)) sum[key] += n
  }

  /** Keeps what failed, and the first line of why, for the end of the report: that is what is read first. */
  failure(suite, name, why = '') {
    this.#failures.push(`${suite}: ${name}${why ? `\n    ${why}` : ''}`)
  }

  /** Does something on the time of a suite. */
  async timed(suite, what) {
    const begun = performance.now()
    try {
      return await what()
    } finally {
      this.#of(suite).ms += performance.now() - begun
    }
  }

  get #sum() {
    const sum = zero()
    for (const suite of this.#suites.values()) for (const key of Object.keys(sum)) sum[key] += suite[key]
    return sum
  }

  /** What counts as passed: what needed a second try does not. */
  get passed() {
    return this.#sum.passed
  }

  /** What counts as failed: second tries do where they are more than one in a hundred. */
  get failed() {
    const { failed, again } = this.#sum
    const tried = [...this.#suites]
      .filter(([name]) => IN_BROWSER.includes(name))
      .reduce((sum, [, suite]) => sum + suite.passed + suite.failed + suite.again, 0)
    return failed + (again > MOST_AGAIN * tried ? again : 0)
  }

  /** The run in a few lines, by suite; the last one is `N passed, N failed`. */
  report() {
    const line = (name, { passed, failed, skipped, again, ms }) =>
      [
        name.padEnd(12),
        `${(ms / 1000).toFixed(0).padStart(5)} s`,
        `${String(passed).padStart(6)} passed`,
        `${failed} failed`,
        ...(skipped ? [`${skipped} skipped`] : []),
        ...(again ? [`${again} only at the second try`] : []),
      ].join('  ')
    return [
      ...(this.#failures.length ? ['what failed:', ...this.#failures.map((f) => `  ${f}`), ''] : []),
      ...[...this.#suites].map(([name, suite]) => line(name, suite)),
      // some of them go on beside each other
      line('together', { ...this.#sum, ms: performance.now() - this.#begun }),
      '',
      `${this.passed} passed, ${this.failed} failed`,
    ].join('\n')
  }
}
