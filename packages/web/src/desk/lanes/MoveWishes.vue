<script setup lang="ts">
/** What can be wished of the move that was made last: how far it goes, how long its way there takes, how often it turns. */
import { hasAmount, isRelative, movePlace, usualAmount, valueAt } from '@rudlo/core/envelope'
import { laneAt } from '@rudlo/core/mix'
import { readValue } from '@rudlo/core/scale'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import NumberField from '../../ui/fields/NumberField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import type { MadeMove } from './made-move'
import MovePicture from './MovePicture.vue'

const props = defineProps<{ made: MadeMove }>()
const emit = defineEmits<{ again: [wish: { amount?: number; turns?: number }, lead?: number] }>()

const desk = useDesk()
const work = useWork()
const control = computed(() => laneAt(work.mix!, desk.address)!.control)
const relative = computed(() => isRelative(control.value, props.made.move))
/** The value before the move, which it counts from. */
const start = computed(() => {
  const lane = laneAt(props.made.step.before.mix, desk.address)!
  return valueAt(lane.points, lane.control.scale, desk.selection?.from ?? props.made.step.from)
})
const amount = computed(
  () => props.made.wish.amount ?? usualAmount(control.value, props.made.move, start.value),
)
const lead = computed(() => {
  const place = movePlace(desk.time!, desk.selection!)
  return props.made.lead ?? place.lead / place.beat
})
const LEADS = ([0.25, 0.5, 1, 2, 4] as const).map((value) => ({ value, text: t(`bars.lead.${value}`) }))
const hasLead = computed(() => ['lift', 'dip', 'sweep', 'to and fro'].includes(props.made.move))

/** Takes a value that was typed in the lane's own unit. */
function take(text: string): void {
  const read = readValue(control.value, text)
  if (read) emit('again', { amount: read.value })
  else
    work.notice = t('control.no-value', {
      text,
      example: control.value.unit.format(control.value.initial),
    })
}
</script>

<template>
  <span
    class="wishes"
    role="group"
    :aria-label="t('bars.made', { move: t(`ready.${made.move}`) })"
    data-test="move-wishes"
  >
    <MovePicture :move="made.move" /><b>{{ t(`ready.${made.move}`) }}</b>
    <template v-if="hasAmount(made.move)">
      <template v-if="relative">
        {{ t('bars.made.by') }}
        <NumberField
          class="number"
          bare
          unit="dB"
          :label="t('bars.made.by')"
          :min="0.5"
          :max="60"
          :step="0.5"
          :model-value="amount"
          data-test="move-amount"
          @update:model-value="$event && emit('again', { amount: $event })"
          @keydown.stop
        />
      </template>
      <template v-else>
        {{ t('bars.made.to') }}
        <TextField
          class="number"
          bare
          :label="t('bars.made.to')"
          :model-value="control.unit.format(amount)"
          data-test="move-amount"
          @change="take(($event.target as HTMLInputElement).value)"
          @keydown.stop
        />
      </template>
    </template>
    <NumberField
      v-if="made.move === 'to and fro'"
      class="number"
      bare
      :unit="t('bars.made.turns')"
      :label="t('bars.made.turns')"
      :min="1"
      :max="32"
      :model-value="made.wish.turns ?? 1"
      data-test="move-turns"
      @update:model-value="$event && emit('again', { turns: $event })"
      @keydown.stop
    />
    <SelectField
      v-if="hasLead"
      class="lead"
      bare
      :label="t('bars.made.lead')"
      :choices="LEADS"
      :model-value="LEADS.find((l) => l.value === lead)?.value ?? 1"
      data-test="move-lead"
      @update:model-value="(beats) => emit('again', {}, beats)"
      @keydown.stop
    />
  </span>
</template>

<style scoped>
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  align-items: center;
  padding: 0 var(--space-2);
  border-left: 3px solid var(--family-volume);
}

.number {
  flex: 0 0 104px;
}

.lead {
  flex: 0 0 176px;
}
</style>
