import { usePreferredContrast, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { keep, kept } from '../../browser/kept'
import { cssVariables, DARK, LIGHT, withMoreContrast } from './palette'
import { tokenCss } from './tokens'

export type ThemeChoice = 'light' | 'dark' | 'system'
const KEY = 'rudlo-theme'
const CONTRAST_KEY = 'rudlo-contrast'

/** Light, dark, or as the machine is set; with more contrast where the machine or the person wants it. Kept on this machine. */
export const useThemeChoice = defineStore('theme', () => {
  const stored = kept(KEY)
  const choice = ref<ThemeChoice>(stored === 'light' || stored === 'dark' ? stored : 'system')
  const systemDark = usePreferredDark()
  const name = computed(() =>
    choice.value === 'system' ? (systemDark.value ? 'dark' : 'light') : choice.value,
  )
  const systemContrast = usePreferredContrast()
  const moreContrast = ref(kept(CONTRAST_KEY) === 'more')
  const palette = computed(() => {
    const plain = name.value === 'dark' ? DARK : LIGHT
    return moreContrast.value || systemContrast.value === 'more' ? withMoreContrast(plain) : plain
  })

  watchEffect(() => {
    keep(KEY, choice.value)
    keep(CONTRAST_KEY, moreContrast.value ? 'more' : 'usual')
    for (const rule of (tokenCss() + cssVariables(palette.value)).split(';')) {
      const [property, value] = rule.split(':')
      if (property && value) document.documentElement.style.setProperty(property, value)
    }
    document.documentElement.style.colorScheme = name.value
  })

  return { choice, moreContrast, name }
})
