<script setup lang="ts">
/** A value in the sentence of a check: pressed, it can be changed. */
import type { Field, FieldValue } from '@rudlo/core/checks'
import { computed } from 'vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import CheckBoxes from '../../ui/fields/CheckBoxes.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'
import PlaceField from './PlaceField.vue'
import SpanField from './SpanField.vue'

const props = defineProps<{
  name: string
  /** What kind of value it is; null for the bars from `from` to `to`. */
  field: Field | null
  /** As it is read in the sentence. */
  shown: string
  /** What a number is counted in. */
  unit: string
  value: FieldValue | undefined
  span: { readonly from: number; readonly to: number }
}>()
const emit = defineEmits<{ set: [values: Readonly<Record<string, FieldValue>>] }>()

const store = useBrief()
const label = computed(() => props.field?.label ?? t('brief.span'))
const set = (value: FieldValue) => emit('set', { [props.name]: value })
const lanes = computed(() => store.lanes.map((l) => ({ value: l.lane, text: l.text })))
/** What there is to choose from, where it is one of several. */
const choices = computed(() => {
  const { field } = props
  if (field?.type === 'lane') return lanes.value
  if (field?.type === 'track') return store.song!.tracks.map((one) => ({ value: one.id, text: one.name }))
  if (field?.type === 'choice') return field.values.map((value) => ({ value, text: field.textOf(value) }))
  return null
})
</script>

<template>
  <AppMenu stays :label="t('brief.check.change', { name: label })">
    <template #opener="{ opener }"
      ><RowButton
        v-bind="opener"
        class="value"
        :aria-label="`${label}: ${shown}`"
        :tip="label"
        :data-test="`value-${name}`"
        >{{ shown }}</RowButton
      ></template
    >
    <div class="change" @keydown="keepKeys">
      <SpanField
        v-if="!field"
        :span="span"
        :meter="store.time!.meter"
        :length="store.song!.length"
        :label="label"
        @span="(to) => emit('set', to)"
      />
      <PlaceField
        v-else-if="field.type === 'place'"
        :label="label"
        :tick="Number(value)"
        :meter="store.time!.meter"
        :length="store.song!.length"
        @place="set"
      />
      <NumberField
        v-else-if="field.type === 'number'"
        :label="label"
        :unit="unit"
        :min="field.min"
        :max="field.max"
        step="any"
        :model-value="Number(value)"
        @update:model-value="(n) => n !== null && set(n)"
      />
      <RadioList
        v-else-if="choices"
        :label="label"
        :choices="choices"
        :model-value="String(value)"
        @update:model-value="set"
      />
      <CheckBoxes
        v-else
        :label="label"
        :choices="lanes"
        :model-value="value as readonly string[]"
        @update:model-value="set"
      />
    </div>
  </AppMenu>
</template>

<style scoped>
.value {
  display: inline;
  min-height: 0;
  padding: 1px 6px;
  border-bottom: 2px solid var(--family-volume);
  border-radius: var(--radius-s) var(--radius-s) 0 0;
  background: var(--wash);
  font-weight: 640;
}

.value:hover {
  background: var(--rule);
}

.change {
  width: 280px;
  padding-top: var(--space-1);
}
</style>
