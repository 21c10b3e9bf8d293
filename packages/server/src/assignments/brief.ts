/** One thing to do. */
export interface BriefTask {
  readonly id: string
  readonly title: string
  readonly text: string
  /** Addresses of the lanes it is about. */
  readonly lanes: readonly string[]
  /** Where in the song, in ticks. */
  readonly from: number
  readonly to: number
}

/** The assignment as the student reads it. */
export interface Brief {
  readonly purpose: string
  readonly tasks: readonly BriefTask[]
  /** Addresses of the lanes that may be changed. */
  readonly open: readonly string[]
}

/** What a hand-in is marked by. */
export interface Rubric {
  /** From the first steps to more than was asked. */
  readonly levels: readonly string[]
  readonly criteria: readonly { readonly id: string; readonly name: string; readonly about: string }[]
}
