import { isFlag, readKeptOr, shape } from '@rudlo/core/stored'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { keep, kept } from '../browser/kept'

const KEY = 'rudlo-listening'
/** No headphones are later than this, in ms. */
export const LONGEST_DELAY = 600

interface Kept {
  readonly delay: number
  readonly checked: boolean
}

const isKept = shape<Kept>({ delay: Number.isFinite, checked: isFlag })

/** What this browser remembers: it belongs to the machine and its headphones, not to the person. */
function remembered(): Kept {
  const { delay, checked } = readKeptOr(kept(KEY), isKept, { delay: 0, checked: false })
  return { delay: Math.min(LONGEST_DELAY, Math.max(0, delay)), checked }
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
