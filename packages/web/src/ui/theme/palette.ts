import type { Family } from '@rudlo/core/scale'

/** Every colour of one theme. Contrast and distinctness are checked by palette.test.ts. */
export interface Palette {
  readonly paper: string
  readonly sheet: string
  readonly wash: string
  readonly rule: string
  readonly ink: string
  readonly soft: string
  /** Background of the transport and of filled buttons, and what is written on it. */
  readonly desk: string
  readonly onDesk: string
  readonly warm: string
  readonly good: string
  readonly close: string
  readonly wave: string
  readonly family: Readonly<Record<Family, string>>
}

export const LIGHT: Palette = {
  paper: '#f5efe3',
  sheet: '#fffcf5',
  wash: '#ede4d3',
  rule: '#dccfb8',
  ink: '#22304a',
  soft: '#566075',
  desk: '#22304a',
  onDesk: '#f7f0e2',
  warm: '#b8431f',
  good: '#2b6a4a',
  close: '#8a5a0c',
  wave: '#e0d0b4',
  family: { volume: '#0649a9', pan: '#267c63', send: '#7b087c', effect: '#895a00', switch: '#424244' },
}

export const DARK: Palette = {
  paper: '#171b25',
  sheet: '#1f2431',
  wash: '#2a3040',
  rule: '#3b4358',
  ink: '#efe9dc',
  soft: '#aeb5c4',
  desk: '#0f131c',
  onDesk: '#f0eadc',
  warm: '#ff9a74',
  good: '#7fd0a3',
  close: '#e8b659',
  wave: '#3d4459',
  family: { volume: '#5a9ce7', pan: '#a6f4d1', send: '#ef5f8c', effect: '#e7b059', switch: '#b7bec8' },
}

/** The palette for somebody who needs more contrast: frames and notes are as dark as the text. */
export const withMoreContrast = (palette: Palette): Palette => ({
  ...palette,
  rule: palette.ink,
  soft: palette.ink,
  wash: palette.sheet,
  paper: palette.sheet,
})

/** The palette as CSS custom properties. */
export function cssVariables({ family, ...plain }: Palette): string {
  const entries = [
    ...Object.entries(plain),
    ...Object.entries(family).map(([name, value]) => [`family-${name}`, value] as const),
  ]
  return entries
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${value};`)
    .join('')
}
