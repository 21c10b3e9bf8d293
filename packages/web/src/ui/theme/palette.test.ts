import type { Family } from '@rudlo/core/scale'
import { describe, expect, it } from 'vitest'
import { cssVariables, DARK, LIGHT, withMoreContrast, type Palette } from './palette'

type Rgb = readonly [number, number, number]

const rgb = (of: (channel: 0 | 1 | 2) => number): Rgb => [of(0), of(1), of(2)]

/** Linear light of a hex colour. */
const linear = (hex: string): Rgb =>
  rgb((i) => {
    const v = parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) / 255
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4
  })

/** Contrast of two colours (WCAG 2.2). */
function contrast(a: string, b: string): number {
  const [x, y] = [a, b].map((hex) => {
    const [r, g, bl] = linear(hex)
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl
  }) as [number, number]
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05)
}

/** How colours look without one kind of cone (Machado, Oliveira and Fernandes, 2009, severity 1). */
const SIGHTS: Readonly<Record<string, readonly Rgb[]>> = {
  usual: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
  deuteranopia: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  protanopia: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  tritanopia: [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
}

/** OKLab of a linear colour (Ottosson, 2020): equal distances look equally different. */
function lab([r, g, b]: Rgb): Rgb {
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b)
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b)
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ]
}

const seen = (hex: string, sight: readonly Rgb[]) =>
  lab(rgb((channel) => sight[channel]!.reduce((sum, v, i) => sum + v * linear(hex)[i]!, 0)))
const distance = (a: Rgb, b: Rgb) => Math.hypot(...a.map((v, i) => v - b[i]!))

/** Just noticeably different is about 0.02; side by side on a screen this is four times that. */
const DISTINCT = 0.08

describe.each<[string, Palette]>([
  ['light', LIGHT],
  ['dark', DARK],
  ['light, with more contrast', withMoreContrast(LIGHT)],
  ['dark, with more contrast', withMoreContrast(DARK)],
])('the %s palette', (_, palette) => {
  const grounds = [palette.paper, palette.sheet, palette.wash]

  it('writes with a contrast of at least 4.5 on every ground', () => {
    for (const ground of grounds) {
      for (const text of [palette.ink, palette.soft])
        expect(contrast(text, ground)).toBeGreaterThanOrEqual(4.5)
    }
    for (const text of [palette.warm, palette.good, palette.close]) {
      expect(contrast(text, palette.sheet)).toBeGreaterThanOrEqual(4.5)
    }
    expect(contrast(palette.onDesk, palette.desk)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(palette.sheet, palette.warm)).toBeGreaterThanOrEqual(4.5)
    expect(contrast(palette.sheet, palette.ink)).toBeGreaterThanOrEqual(4.5)
  })

  it('draws every family with a contrast of at least 4.5 on the sheet, and 3 over a waveform', () => {
    for (const colour of [...Object.values(palette.family), ...Object.values(palette.kin).flat()]) {
      expect(contrast(colour, palette.sheet)).toBeGreaterThanOrEqual(4.5)
      expect(contrast(colour, palette.wave)).toBeGreaterThanOrEqual(3)
    }
  })

  it.each(Object.entries(SIGHTS))('keeps the families distinct to %s sight', (__, sight) => {
    const families = Object.entries(palette.family)
    for (const [i, [nameA, a]] of families.entries()) {
      for (const [nameB, b] of families.slice(i + 1)) {
        expect(distance(seen(a, sight), seen(b, sight)), `${nameA} and ${nameB}`).toBeGreaterThanOrEqual(
          DISTINCT,
        )
      }
    }
  })

  it.each(Object.entries(SIGHTS))('keeps lanes of one family distinct to %s sight', (__, sight) => {
    for (const [family, kin] of Object.entries(palette.kin)) {
      const all = [palette.family[family as Family], ...kin].map((colour) => seen(colour, sight))
      for (const [i, a] of all.entries())
        for (const b of all.slice(i + 1)) expect(distance(a, b), family).toBeGreaterThanOrEqual(DISTINCT)
    }
  })

  it('with more contrast writes with at least 7, and frames with at least 4.5', () => {
    const more = withMoreContrast(palette)
    for (const text of [more.ink, more.soft]) expect(contrast(text, more.paper)).toBeGreaterThanOrEqual(7)
    expect(contrast(more.rule, more.sheet)).toBeGreaterThanOrEqual(4.5)
  })

  it('becomes CSS custom properties', () => {
    expect(cssVariables(palette)).toContain(`--on-desk:${palette.onDesk};`)
    expect(cssVariables(palette)).toContain(`--family-pan:${palette.family.pan};`)
  })
})
