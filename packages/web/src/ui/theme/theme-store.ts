import { usePreferredContrast, usePreferredDark } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { keep, kept } from '../../browser/kept'
import { paint } from './paint'
import { DARK, LIGHT, withMoreContrast } from './palette'

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
    paint(palette.value, name.value)
  })

  return { choice, moreContrast, name }
})
