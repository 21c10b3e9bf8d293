import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { keep, kept } from '../shell/kept'

const KEY = 'rudlo-listening'
/** No headphones are later than this, in ms. */
export const LONGEST_DELAY = 600

interface Kept {
  readonly delay: number
  readonly checked: boolean
}

/** What this browser remembers: it belongs to the machine and its headphones, not to the person. */
function remembered(): Kept {
  try {
    const known = JSON.parse(kept(KEY) ?? '{}') as Partial<Kept>
    const delay = Number(known.delay)
    return {
      delay: Number.isFinite(delay) ? Math.min(LONGEST_DELAY, Math.max(0, delay)) : 0,
      checked: known.checked === true,
    }
  } catch {
    return { delay: 0, checked: false }
  }
}

/** How somebody listens: for the ear alone, neither saved with the work nor rendered nor measured. */
export const useListening = defineStore('listening', () => {
  const known = remembered()
  const mono = ref(false)
  const metronome = ref(false)
  const countIn = ref(false)
  /** How much later than the computer says the ear hears, in ms: wireless headphones. */
  const delay = ref(known.delay)
  /** Whether the sound was checked on this machine, or the check was put off. */
  const checked = ref(known.checked)
  const now = computed(() => ({ mono: mono.value, metronome: metronome.value, countIn: countIn.value }))

  watch([delay, checked], () => {
    keep(KEY, JSON.stringify({ delay: delay.value, checked: checked.value } satisfies Kept))
  })

  return { mono, metronome, countIn, delay, checked, now }
})
