import { mdi } from 'vuetify/iconsets/mdi-svg'
import { createVuetify, type ThemeDefinition } from 'vuetify'
import { locale } from '../../words/language'
import 'vuetify/styles'
import { ICONS } from './icons'
import { DARK, LIGHT, type Palette } from './palette'

function definition(dark: boolean, p: Palette): ThemeDefinition {
  return {
    dark,
    colors: {
      background: p.paper,
      surface: p.sheet,
      primary: dark ? p.family.volume : p.desk,
      secondary: p.soft,
      error: p.warm,
      success: p.good,
      warning: p.close,
      info: p.family.volume,
      'on-background': p.ink,
      'on-surface': p.ink,
      'on-primary': dark ? p.desk : p.onDesk,
    },
    variables: { 'border-color': p.ink, 'medium-emphasis-opacity': 0.78, 'high-emphasis-opacity': 1 },
  }
}

/** What every field has: a frame, its label in it, and room for what is wrong only where something is. */
const FIELD = {
  variant: 'outlined',
  density: 'comfortable',
  rounded: 'lg',
  hideDetails: 'auto',
  color: 'primary',
} as const

/** Vuetify with Rudlo's own theme and shapes. */
export function rudloVuetify(theme: 'light' | 'dark', cspNonce: string) {
  // what opens grows by a script, which no rule of a sheet stops: who wants less motion is asked for here
  const still = matchMedia('(prefers-reduced-motion: reduce)').matches ? { transition: false } : {}
  return createVuetify({
    icons: { defaultSet: 'mdi', aliases: ICONS, sets: { mdi } },
    theme: {
      defaultTheme: theme,
      themes: { light: definition(false, LIGHT), dark: definition(true, DARK) },
      ...(cspNonce ? { cspNonce } : {}),
    },
    // a calendar begins its weeks, and a date is typed, as this person has it
    date: { locale: { en: locale } },
    defaults: {
      global: { ripple: false },
      VBtn: { variant: 'outlined', rounded: 'lg' },
      VTextField: FIELD,
      VTextarea: FIELD,
      VSelect: { ...FIELD, ...still },
      VFileInput: FIELD,
      VDateInput: FIELD,
      VCard: { rounded: 'xl', variant: 'flat' },
      VDialog: { maxWidth: 560, ...still },
      VMenu: still,
    },
  })
}
