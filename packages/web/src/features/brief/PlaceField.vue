<script setup lang="ts">
/** A place in the song, typed as "5" or "5.3". */
import { parsePlace, placeShort, type MeterMap } from '@rudlo/core/time'
import { ref, watch } from 'vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

const props = defineProps<{ tick: number; meter: MeterMap; length: number; label: string }>()
const emit = defineEmits<{ place: [tick: number] }>()

const shown = (tick: number) => placeShort(props.meter.placeAt(tick))
const text = ref(shown(props.tick))
const odd = ref(false)
watch(
  () => props.tick,
  (tick) => {
    text.value = shown(tick)
    odd.value = false
  },
)

function take(): void {
  const tick = parsePlace(props.meter, text.value)
  odd.value = tick === null || tick > props.length
  if (tick !== null && tick <= props.length) emit('place', tick)
}
</script>

<template>
  <TextField
    v-model="text"
    compact
    :label="label"
    :fault="odd ? t('brief.place.odd') : null"
    @change="take"
    @keydown.enter="take"
    @keydown.stop
  />
</template>
