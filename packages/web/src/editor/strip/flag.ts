/** A sign at a place of the strip: a task, a remark or a listening note. */
export interface Flag {
  readonly id: string
  readonly text: string
  readonly tick: number
  readonly kind: 'task' | 'remark' | 'note'
}
