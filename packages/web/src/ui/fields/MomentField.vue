<script setup lang="ts">
/** A day and a time, as the clock on the wall of the school shows it. */
import { computed, ref, watch } from 'vue'
import { useSession } from '../../api/session-store'
import { t } from '../../words/t'
import DateField from './DateField.vue'
import { atSchool, momentOf, typedTime } from './school-time'

const { usual = '18:00' } = defineProps<{
  label: string
  fault?: string | null | undefined
  /** The time of a day that is chosen first. */
  usual?: string
}>()
/** An ISO text; null for none. */
const moment = defineModel<string | null>({ required: true })

const session = useSession()
const shown = computed(() => atSchool(moment.value, session.timeZone))
const time = ref('')
const odd = ref(false)
watch(
  shown,
  (s) => {
    time.value = s?.time ?? ''
    odd.value = false
  },
  { immediate: true },
)

const day = computed({
  get: () => shown.value?.day ?? null,
  set: (chosen) =>
    (moment.value = chosen
      ? momentOf({ day: chosen, time: typedTime(time.value) ?? usual }, session.timeZone)
      : null),
})

function takeTime(): void {
  const typed = typedTime(time.value)
  odd.value = typed === null && time.value.trim() !== ''
  if (typed && day.value) moment.value = momentOf({ day: day.value, time: typed }, session.timeZone)
}
</script>

<template>
  <div class="moment-field" role="group" :aria-label="label">
    <DateField
      v-model="day"
      :label="label"
      :fault="fault"
      :hint="t('ui.zone', { zone: session.timeZone.replaceAll('_', ' ') })"
    />
    <v-text-field
      v-model="time"
      class="time"
      :label="t('ui.time')"
      :error-messages="odd ? t('ui.time.odd') : null"
      :disabled="!day"
      density="comfortable"
      inputmode="numeric"
      @change="takeTime"
      @keydown.enter="takeTime"
      @keydown.stop
    />
  </div>
</template>

<style scoped>
.moment-field {
  display: grid;
  grid-template-columns: minmax(170px, 1fr) 104px;
  gap: var(--space-2);
}
</style>
