import type { Points } from '@rudlo/core/envelope'
import type { RemarkView } from '@rudlo/contract/reviews'
import type { ShallowRef } from 'vue'
import { server, told } from '../../api/client'

/** Where a remark goes: a lane and a span of bars, in ticks; no lane for one on the whole. */
export interface RemarkPlace {
  readonly lane: string | null
  readonly from: number
  readonly to: number
}

/** What is said at a place. */
export interface RemarkWords {
  readonly text: string
  readonly subject?: string
  readonly suggestion?: Points | null
}

/** The hand-in on the desk, as far as remarks go. */
export interface RemarkDesk {
  /** Its id; empty while none lies there. */
  handIn(): string
  readonly remarks: ShallowRef<readonly RemarkView[]>
  /** Shows a remark that is new. */
  show(remark: string): void
  /** What was being written is kept now. */
  written(): void
  lookAgain(): Promise<void>
}

/** What is done with remarks: each is told to the server first, and shown once it has it. All throw ApiError or Unreachable. */
export function remarkActs(desk: RemarkDesk) {
  /** Shows a remark that the server has now; it may be for another hand-in than the one on the desk. */
  function keepRemark(of: string, made: RemarkView): void {
    if (of !== desk.handIn()) return
    desk.remarks.value = [...desk.remarks.value.filter((r) => r.id !== made.id), made].sort(
      (a, b) => a.from - b.from,
    )
    desk.show(made.id)
  }

  async function addRemark(place: RemarkPlace, words: RemarkWords): Promise<void> {
    const made = await told(
      server['hand-ins'][':handIn'].remarks.$post({
        param: { handIn: desk.handIn() },
        json: { ...place, ...words },
      }),
    )
    keepRemark(desk.handIn(), made)
    desk.written()
  }

  /** Says the same to several hand-ins. @returns how many have it now */
  async function addToMany(handIns: readonly string[], place: RemarkPlace, text: string): Promise<number> {
    const { count } = await told(server.remarks.$post({ json: { ...place, text, handIns } }))
    desk.written()
    if (handIns.includes(desk.handIn())) await desk.lookAgain()
    return count
  }

  async function changeRemark(remark: RemarkView, text: string): Promise<void> {
    const { id, lane, from, to, subject, suggestion, revision } = remark
    const made = await told(
      server['hand-ins'][':handIn'].remarks[':remark'].$put({
        param: { handIn: desk.handIn(), remark: id },
        json: {
          lane,
          from,
          to,
          subject,
          suggestion,
          revision,
          text,
        },
      }),
    )
    desk.remarks.value = desk.remarks.value.map((r) => (r.id === id ? { ...made, replies: r.replies } : r))
  }

  async function reply({ id }: RemarkView, text: string): Promise<void> {
    const made = await told(
      server['hand-ins'][':handIn'].remarks[':remark'].replies.$post({
        param: { handIn: desk.handIn(), remark: id },
        json: { text },
      }),
    )
    desk.remarks.value = desk.remarks.value.map((r) =>
      r.id === id ? { ...r, replies: [...r.replies, made] } : r,
    )
  }

  async function removeRemark(id: string): Promise<void> {
    await told(
      server['hand-ins'][':handIn'].remarks[':remark'].$delete({
        param: { handIn: desk.handIn(), remark: id },
      }),
    )
    desk.remarks.value = desk.remarks.value.filter((r) => r.id !== id)
  }

  return { keepRemark, addRemark, addToMany, changeRemark, reply, removeRemark }
}
