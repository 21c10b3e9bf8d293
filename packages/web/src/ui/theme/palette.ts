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
  /** For more lanes of one family that lie on the desk together: the second, third and fourth. There is one tempo. */
  readonly kin: Readonly<Record<Exclude<Family, 'tempo'>, readonly [string, string, string]>>
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
  family: {
    volume: '#0649a9',
    pan: '#267c63',
    send: '#7b087c',
    effect: '#895a00',
    switch: '#424244',
    tempo: '#13031b',
  },
  kin: {
    volume: ['#5e7690', '#392f4b', '#020232'],
    pan: ['#3d5410', '#023539', '#011602'],
    send: ['#cd3b68', '#834eff', '#1f020a'],
    effect: ['#5f3d20', '#401d09', '#200301'],
    switch: ['#71747e', '#2b2417', '#0b0a10'],
  },
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
  family: {
    volume: '#5a9ce7',
    pan: '#a6f4d1',
    send: '#ef5f8c',
    effect: '#e7b059',
    switch: '#b7bec8',
    tempo: '#f7ef2e',
  },
  kin: {
    volume: ['#c0f4fe', '#8bb4cb', '#9ad3ff'],
    pan: ['#aac65e', '#2ec7d9', '#769a73'],
    send: ['#d67de5', '#fdb4a0', '#fcdcfd'],
    effect: ['#ef690e', '#ebf4c7', '#b89084'],
    switch: ['#e3d8bd', '#889390', '#d4f5fd'],
  },
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
export function cssVariables({ family, kin, ...plain }: Palette): string {
  const entries = [
    ...Object.entries(plain),
    ...Object.entries(family).map(([name, value]) => [`family-${name}`, value] as const),
    ...Object.entries(kin).flatMap(([name, colours]) =>
      colours.map((value, i) => [`kin-${name}-${i + 1}`, value] as const),
    ),
  ]
  return entries
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${value};`)
    .join('')
}
