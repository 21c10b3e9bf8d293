import { PATIENCE_MS, server, told } from './client'

/** An answer that nobody took so long after it was asked for, in ms, is of a visit that never came: it may have grown old. */
const TAKEN_WITHIN_MS = 5000

interface Coming<T> {
  readonly answer: Promise<T>
  readonly since: number
}

/** Questions that are asked while the page that wants their answer is still being fetched. */
export class Ahead<T> {
  readonly #coming = new Map<string, Coming<T>>()

  constructor(
    private readonly ask: (id: string) => Promise<T>,
    private readonly now = () => performance.now(),
  ) {}

  /** Asks now, for whoever takes the answer soon. */
  begin(id: string): void {
    const answer = this.ask(id)
    // whoever takes it is told; where nobody does, nobody wants to know
    answer.catch(() => undefined)
    this.#coming.set(id, { answer, since: this.now() })
  }

  /** The answer, each to one who takes it; asked for now where it is not on its way. @throws what asking throws */
  take(id: string): Promise<T> {
    const coming = this.#coming.get(id)
    this.#coming.delete(id)
    return coming && this.now() - coming.since < TAKEN_WITHIN_MS ? coming.answer : this.ask(id)
  }

  /** Forgets everything, at sign-out. */
  forget(): void {
    this.#coming.clear()
  }
}

/** Assignments by their ids. */
export const assignmentAhead = new Ahead((assignment) =>
  told(server.assignments[':assignment'].$get({ param: { assignment } })),
)

/** The works of whoever is signed in, by their assignments. */
export const workAhead = new Ahead((assignment) =>
  told(
    server.assignments[':assignment'].work.$post(
      { param: { assignment } },
      { init: { signal: AbortSignal.timeout(PATIENCE_MS) } },
    ),
  ),
)

/** Asks for what a bench opens with. */
export function beginBench(assignment: string): void {
  assignmentAhead.begin(assignment)
  workAhead.begin(assignment)
}

export function forgetAhead(): void {
  assignmentAhead.forget()
  workAhead.forget()
}
