import type { Part } from './part'

/** What was measured before, by what it was measured of: the same part of the same mix is not rendered twice. */
export interface HeardCache {
  get(key: string): Part | undefined
  set(key: string, part: Part): void
  /** What tracks have in the critical bands, section by section. */
  readonly bands: Recent<readonly Float64Array[]>
}

/** Things by their keys; what was not asked for longest is forgotten. */
export class Recent<T> {
  readonly #things = new Map<string, T>()

  constructor(private readonly most: number) {}

  get(key: string): T | undefined {
    const thing = this.#things.get(key)
    if (thing !== undefined) {
      this.#things.delete(key)
      this.#things.set(key, thing)
    }
    return thing
  }

  set(key: string, thing: T): void {
    this.#things.set(key, thing)
    if (this.#things.size > this.most) this.#things.delete(this.#things.keys().next().value!)
  }
}

/** A cache of so many parts. */
export class RecentParts extends Recent<Part> implements HeardCache {
  readonly bands: Recent<readonly Float64Array[]>

  constructor(most = 400) {
    super(most)
    this.bands = new Recent(most)
  }
}
