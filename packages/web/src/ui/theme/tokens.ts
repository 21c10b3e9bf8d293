/**
 * Every size there is. Rooms take them as CSS custom properties (`--text-2`, `--space-3`, `--radius-m` …), components of Vuetify by
 * `vuetify.ts`; colours are in `palette.ts`.
 */

/** Sizes of type in px, from notes to the name of a room. Nothing is written in another size. */
export const TEXT = { 1: 13, 2: 15, 3: 17, 4: 20, 5: 26, 6: 34 } as const

/** What a step between things is, in px. `--space-3` is three of them. */
export const SPACE = 4
const STEPS = [1, 2, 3, 4, 5, 6, 8, 10, 14] as const

/** Corners in px: of a control, of a sheet, of what is round. */
export const RADIUS = { s: 8, m: 12, l: 999 } as const

/** How far something lies above the page. */
export const ELEVATION = {
  1: '0 1px 3px rgb(16 21 31 / 14%)',
  2: '0 6px 24px rgb(16 21 31 / 22%)',
} as const

/** Height of what is pressed, in px: with a mouse, and with a finger. */
export const TARGET = { mouse: 32, finger: 44 } as const

/** Rows and fields lie closer on a desk, where the work is seen at once, than in a room that is read. */
export const DENSITY = { room: { row: 44, field: 48 }, desk: { row: 34, field: 36 } } as const

/** All of it as CSS custom properties; type grows with the size that somebody has set in the browser. */
export function tokenCss(): string {
  const of = (name: string, values: Readonly<Record<string, number | string>>, unit: string) =>
    Object.entries(values).map(([key, value]) => `--${name}-${key}:${value}${unit};`)
  return [
    ...Object.entries(TEXT).map(([step, px]) => `--text-${step}:${px / 16}rem;`),
    ...STEPS.map((n) => `--space-${n}:${n * SPACE}px;`),
    ...of('radius', RADIUS, 'px'),
    ...of('shadow', ELEVATION, ''),
    `--target:${TARGET.mouse}px;`,
    `--row:${DENSITY.room.row}px;`,
  ].join('')
}
