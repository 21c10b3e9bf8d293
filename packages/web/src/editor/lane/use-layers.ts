import { onBeforeUnmount, type Ref } from 'vue'

/** A drawing of the lane's size, in CSS px, and whether it is a fresh one that holds nothing yet. */
export interface Layer {
  readonly c: CanvasRenderingContext2D
  readonly fresh: boolean
}

/**
 * Two canvases on each other: what lies behind changes with the view, what lies before it with every move of a hand.
 * @returns `redraw`: draws with the next frame; `behind`: what lies behind, too
 */
export function useLayers(
  size: Readonly<Ref<{ readonly width: number; readonly height: number }>>,
  back: Readonly<Ref<HTMLCanvasElement | undefined>>,
  front: Readonly<Ref<HTMLCanvasElement | undefined>>,
  draw: { behind(layer: Layer): void; before(layer: Layer): void },
): (behind: boolean) => void {
  let frame = 0
  let stale = true

  /** Null while it has no size. */
  function layerOf(element: HTMLCanvasElement | undefined): Layer | null {
    const c = element?.getContext('2d')
    const { width, height } = size.value
    if (!c || !element || !width || !height) return null
    const ratio = devicePixelRatio || 1
    const w = Math.round(width * ratio)
    const h = Math.round(height * ratio)
    const fresh = element.width !== w || element.height !== h
    if (fresh) {
      element.width = w
      element.height = h
    }
    c.setTransform(ratio, 0, 0, ratio, 0, 0)
    return { c, fresh }
  }

  function drawn(): void {
    frame = 0
    const behind = stale ? layerOf(back.value) : null
    if (behind) draw.behind(behind)
    stale = false
    const before = layerOf(front.value)
    if (before) draw.before(before)
  }

  onBeforeUnmount(() => cancelAnimationFrame(frame))
  return (behind) => {
    stale ||= behind
    // what is asked for within a frame waits for the next one: put off again and again it would never come
    frame ||= requestAnimationFrame(drawn)
  }
}
