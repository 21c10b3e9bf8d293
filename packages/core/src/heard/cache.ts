import type { Part } from './part'

/** What was measured before, by what it was measured of: the same part of the same mix is not rendered twice. */
export interface HeardCache {
  get(key: string): Part | undefined
  set(key: string, part: Part): void
}

/** A cache that forgets what was not asked for longest. */
export class RecentParts implements HeardCache {
  readonly #parts = new Map<string, Part>()

  constructor(private readonly most = 400) {}

  get(key: string): Part | undefined {
    const part = this.#parts.get(key)
    if (part) {
      this.#parts.delete(key)
      this.#parts.set(key, part)
    }
    return part
  }

  set(key: string, part: Part): void {
    this.#parts.set(key, part)
    if (this.#parts.size > this.most) this.#parts.delete(this.#parts.keys().next().value!)
  }
}
