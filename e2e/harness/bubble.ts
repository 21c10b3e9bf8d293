import type { Page } from '@playwright/test'

/** Where something is said of a point on the lane, in px of the page; null where nothing is. It is drawn, not written. */
export function bubbleOn(
  page: Page,
): Promise<{ x: number; y: number; width: number; height: number } | null> {
  return page.evaluate(() => {
    const surface = document.querySelector('[data-test="line"]')!
    const canvas = surface.parentElement!.querySelector<HTMLCanvasElement>('canvas.front')!
    const { width, height } = canvas
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, width, height)
    // the colour of the desk in the light theme, which nothing else on a lane has
    const isDesk = (i: number) =>
      Math.abs(data[i]! - 34) + Math.abs(data[i + 1]! - 48) + Math.abs(data[i + 2]! - 74) < 12 &&
      data[i + 3]! > 220
    let [left, top, right, bottom] = [width, height, -1, -1]
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        if (!isDesk(4 * (y * width + x))) continue
        left = Math.min(left, x)
        right = Math.max(right, x)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y)
      }
    if (right < 0) return null
    const box = canvas.getBoundingClientRect()
    const ratio = devicePixelRatio
    return {
      x: box.left + left / ratio,
      y: box.top + top / ratio,
      width: (right - left + 1) / ratio,
      height: (bottom - top + 1) / ratio,
    }
  })
}
