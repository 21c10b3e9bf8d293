import type { Chosen, Points } from '@rudlo/core/envelope'
import { withPoints, type Mix } from '@rudlo/core/mix'
import type { Control } from '@rudlo/core/scale'
import { listText } from '@rudlo/words'
import { inject, onScopeDispose, provide, shallowReactive, type InjectionKey, type ShallowRef } from 'vue'
import type { ChangeLabel } from '../../document/editing'
import { useWork } from '../../document/work-store'
import type { LineEditor } from '../../editor/lane/line-editor'
import type { Along, LinePorts, Lines } from '../../editor/lane/line-ports'
import type { Viewport } from '../../editor/lane/viewport'
import { pointsInBox, type Box } from '../../editor/tools/box'
import { t } from '../../words/t'

/** A lane on the desk, as far as its points are chosen together with those of others. */
export interface LaneBeside {
  address(): string
  name(): string
  control(): Control
  points(): Points
  /** Why nothing can be changed there; empty where it can. */
  locked(): string
  /** What hands work on; null while it is not drawn. */
  face(): { readonly view: Viewport; readonly element: Element } | null
  readonly editor: LineEditor
  /** A box that reaches into it from a lane beside, in px of this one. */
  readonly boxed: ShallowRef<Box | null>
}

const DESK: InjectionKey<Set<LaneBeside>> = Symbol('lanes-of-the-desk')

/** Lets the lanes inside choose points together. */
export function provideLanesBeside(): void {
  provide(DESK, shallowReactive(new Set()))
}

/** Part of a box that lies over a lane `by` px further down and `height` px high; null where none does. */
function boxOver(box: Box, by: number, height: number): Box | null {
  const [y, toY] = [box.y - by, box.toY - by]
  if (Math.max(y, toY) <= 0 || Math.min(y, toY) >= height) return null
  return { ...box, y, toY }
}

/**
 * What a lane does with the lanes beside it on the desk.
 * @param own the lane, once it is there
 */
export function useLanesBeside(own: () => LaneBeside) {
  const lanes = inject(DESK, new Set<LaneBeside>())
  const work = useWork()
  const others = () => [...lanes].filter((lane) => lane !== own())
  const isChosen = ({ editor }: LaneBeside) => editor.selected.value >= 0
  /** What was chosen beside when a box began, and lanes that it leaves out. */
  let boxing: { readonly before: ReadonlyMap<LaneBeside, Chosen>; readonly out: Set<LaneBeside> } | null =
    null

  /** Says which lanes were left out. */
  function tellLocked(out: readonly LaneBeside[]): void {
    if (!out.length) return
    const names = out.map((lane) => lane.name())
    work.notice = t('lane.left-out', { n: out.length, lanes: listText(names) })
  }

  const withLines = (lines: Lines) => (mix: Mix) =>
    [...lines].reduce((m, [lane, points]) => withPoints(m, lane, points, () => crypto.randomUUID()), mix)

  const ports: NonNullable<LinePorts['beside']> = {
    along: (): readonly Along[] =>
      others()
        .filter((lane) => isChosen(lane) && !lane.locked())
        .map((lane) => ({
          address: lane.address(),
          points: lane.points(),
          control: lane.control(),
          chosen: lane.editor.meant(),
        })),
    leave: () => others().forEach(({ editor }) => editor.keep(-1)),
    snapshot: () => {
      const now = others().map(({ editor }) => [editor, editor.selected.value, editor.chosen.value] as const)
      return () =>
        now.forEach(([editor, index, chosen]) => {
          editor.selected.value = index
          editor.chosen.value = chosen
        })
    },
    chooseAll: () => {
      const open = others().filter((lane) => !lane.locked())
      open.forEach((lane) => lane.editor.choose(new Set(lane.points().keys())))
      tellLocked(others().filter((lane) => lane.locked() && lane.points().length))
    },
    preview: (lines) => work.previewMix(withLines(lines)),
    set: (lines, change: ChangeLabel) => work.setMix(withLines(lines), change),
  }

  /** A box is drawn on the lane, or is done: it takes in what lies in it on the lanes beside. */
  function drawBox(box: Box | null): void {
    if (!box) {
      others().forEach((lane) => (lane.boxed.value = null))
      tellLocked([...(boxing?.out ?? [])])
      boxing = null
      return
    }
    boxing ??= {
      before: new Map(others().map((lane) => [lane, isChosen(lane) ? lane.editor.meant() : new Set()])),
      out: new Set(),
    }
    for (const lane of others()) takeIn(lane, box, boxing)
  }

  function takeIn(lane: LaneBeside, box: Box, { before, out }: NonNullable<typeof boxing>): void {
    const [here, there] = [own().face(), lane.face()]
    if (!here || !there) return
    const rect = there.element.getBoundingClientRect()
    const over = boxOver(box, rect.top - here.element.getBoundingClientRect().top, rect.height)
    lane.boxed.value = over
    const inside: Chosen = over
      ? pointsInBox(over, lane.points(), lane.control().scale, there.view)
      : new Set<number>()
    out.delete(lane)
    if (lane.locked() && inside.size) out.add(lane)
    else lane.editor.choose(new Set([...(before.get(lane) ?? []), ...inside]))
  }

  /** Lies on the desk from now on, until it is taken away. */
  function join(): void {
    lanes.add(own())
    onScopeDispose(() => lanes.delete(own()))
  }

  return { ports, drawBox, join }
}
