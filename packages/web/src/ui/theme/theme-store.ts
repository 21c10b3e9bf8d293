import { usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { keep, kept } from '../../browser/kept'
import { cssVariables, DARK, LIGHT } from './palette'
import { tokenCss } from './tokens'

export type ThemeChoice = 'light' | 'dark' | 'system'
const KEY = 'rudlo-theme'

/** Light, dark, or as the machine is set. Kept on this machine. */
export const useThemeChoice = defineStore('theme', () => {
  const stored = kept(KEY)
  const choice = ref<ThemeChoice>(stored === 'light' || stored === 'dark' ? stored : 'system')
  const systemDark = usePreferredDark()
  const name = computed(() =>
    choice.value === 'system' ? (systemDark.value ? 'dark' : 'light') : choice.value,
  )

  watchEffect(() => {
    keep(KEY, choice.value)
    const palette = name.value === 'dark' ? DARK : LIGHT
    for (const rule of (tokenCss() + cssVariables(palette)).split(';')) {
      const [property, value] = rule.split(':')
      if (property && value) document.documentElement.style.setProperty(property, value)
    }
    document.documentElement.style.colorScheme = name.value
  })

  return { choice, name }
})
