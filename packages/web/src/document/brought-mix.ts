import type { Mix } from '@rudlo/core/mix'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

/** A mix that came along with the notes of a song: the next assignment with this song begins with it. */
export const useBroughtMix = defineStore('brought-mix', () => {
  const offered = shallowRef<{ readonly version: string; readonly mix: Mix } | null>(null)
  return { offered }
})
