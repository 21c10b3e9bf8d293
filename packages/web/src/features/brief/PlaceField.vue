<script setup lang="ts">
/** A place in the song, typed as "5" or "5.3"; sections are offered beside it. */
import { parsePlace, placeShort, type MeterMap } from '@rudlo/core/time'
import { ref, watch } from 'vue'

const props = defineProps<{ tick: number; meter: MeterMap; length: number; label: string }>()
const emit = defineEmits<{ place: [tick: number] }>()

const shown = (tick: number) => placeShort(props.meter.placeAt(tick))
const text = ref(shown(props.tick))
const wrong = ref(false)
watch(
  () => props.tick,
  (tick) => (text.value = shown(tick)),
)

function take(): void {
  const tick = parsePlace(props.meter, text.value)
  wrong.value = tick === null || tick > props.length
  if (tick !== null && tick <= props.length) emit('place', tick)
}
</script>

<template>
  <label class="place"
    >{{ label }}
    <input v-model="text" :class="{ wrong }" :aria-invalid="wrong" size="7" @change="take" @keydown.stop />
    <span v-if="wrong" class="problem">There is no such place: "9" is bar 9, "9.3" its third beat.</span>
  </label>
</template>

<style scoped>
.place {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.wrong {
  border-color: var(--warm);
}

.problem {
  color: var(--warm);
  font-size: 14px;
}

input {
  width: 76px;
}
</style>
