import { expect, onTestFinished } from 'vitest'
import type { App } from 'vue'

/** Puts an application on the page until the test has ended, which fails where Vue had something to say against it. */
export function putUp(app: App): void {
  const warnings: string[] = []
  app.config.warnHandler = (warning, _, trace) => void warnings.push(`${warning} ${trace}`)
  const root = document.createElement('div')
  document.body.append(root)
  app.mount(root)
  onTestFinished(() => {
    app.unmount()
    root.remove()
    expect(warnings).toEqual([])
  })
}
