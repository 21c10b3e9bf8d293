import { expect, it } from 'vitest'
import { richText } from './rich-text'

it('has paragraphs, lists and emphasis', () => {
  expect(richText('One *two* **three**\n\n- a\n- b')).toBe(
    '<p>One <em>two</em> <strong>three</strong></p>\n<ul>\n<li>a</li>\n<li>b</li>\n</ul>\n',
  )
})

it('shows everything else as text', () => {
  for (const text of [
    '<script>alert(1)</script>',
    '<img src=x onerror=alert(1)>',
    '[a](javascript:alert(1))',
  ])
    expect(richText(text)).not.toMatch(/<(?!\/?p>)/)
})
