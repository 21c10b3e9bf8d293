<script setup lang="ts">
/** The head of a lane: whose it is, its value now, and the selected point as figures that can be typed. */
import type { Form, Point } from '@rudlo/core/envelope'
import type { Control } from '@rudlo/core/scale'
import type { MeterMap } from '@rudlo/core/time'
import LiveText from '../../ui/LiveText.vue'
import LaneSign from './LaneSign.vue'
import type { Kin } from './lane-sign'
import PointFields from './PointFields.vue'

defineProps<{
  name: string
  control: Control
  /** Which lane of its family on the desk it is. */
  kin?: Kin
  meter: MeterMap
  /** The value to read from afar, where it is, and what is said of it. */
  value: () => number
  where: () => string
  note: () => string
  point: Point | null
  hasNext: boolean
  /** How many points are selected, where they are several. */
  count?: number
  /** Values that points are often set to. */
  rests?: readonly { readonly text: string; readonly value: number }[]
  /** Whether values and forms can be copied to others, and the form that was. */
  copies?: boolean
  copiedForm?: { readonly form: Form; readonly bend: number } | null
  editable: boolean
  /** Whether other lanes share the desk: everything is smaller then. */
  compact?: boolean
}>()

const emit = defineEmits<{
  value: [value: number, clamped: boolean]
  place: [tick: number]
  form: [form: Form, bend: number]
  give: [value: number]
  copy: []
  copyForm: []
  remove: []
  nonsense: [sentence: string]
}>()
</script>

<template>
  <div class="lane-head" :class="{ compact }">
    <div class="title">
      <h2><LaneSign :family="control.family" :kin="kin" />{{ name }}</h2>
      <slot name="corner" />
    </div>
    <div class="control">
      <slot name="control"><p class="soft">{{ control.name }}</p></slot>
      <p class="now"><LiveText :text="() => control.unit.format(value())" /></p>
    </div>
    <slot v-if="!point" name="ride" />
    <p class="soft where place-now"><LiveText :text="where" /></p>
    <p v-if="control.scale.kind === 'level' || note()" class="soft where note"><LiveText :text="note" /></p>
    <PointFields
      v-if="point"
      :control="control"
      :meter="meter"
      :point="point"
      :has-next="hasNext"
      :count="count"
      :rests="rests"
      :copies="copies"
      :copied-form="copiedForm"
      :editable="editable"
      :compact="compact ?? false"
      @value="(value, clamped) => emit('value', value, clamped)"
      @place="(tick) => emit('place', tick)"
      @form="(form, bend) => emit('form', form, bend)"
      @give="(value) => emit('give', value)"
      @copy="emit('copy')"
      @copy-form="emit('copyForm')"
      @remove="emit('remove')"
      @nonsense="(sentence) => emit('nonsense', sentence)"
    />
    <slot v-else />
  </div>
</template>

<style scoped>
.lane-head {
  contain: layout;
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 8px 14px;
  overflow: auto;
  border-right: 1px solid var(--rule);
}

.lane-head > * {
  flex: none;
}

h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 17px;
}

.title {
  display: flex;
  gap: 4px;
  align-items: start;
  justify-content: space-between;
}

.compact {
  padding: 6px 10px 6px 14px;
}

.compact h2 {
  font-size: 15px;
}

.compact .control {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: space-between;
}

.compact .now {
  margin-top: 0;
  height: 22px;
  flex: 1;
  text-align: right;
  font-size: 19px;
}

.compact .title {
  min-height: 24px;
}

/* what is said of a value comes and goes under a moving hand: what lies below stays where it is */
.note {
  min-height: 1.2em;
  line-height: 1.2;
}

.compact > .where {
  display: none;
}

.now {
  margin-top: 3px;
  /* it changes all the time: nothing around it has to be laid out anew */
  contain: strict;
  width: 100%;
  height: 34px;
  font-size: 30px;
  font-weight: 680;
  line-height: 1.1;
  white-space: nowrap;
}

.where {
  font-size: 14px;
}

.place-now {
  contain: strict;
  width: 100%;
  height: 20px;
  white-space: nowrap;
}

@media (max-height: 700px) {
  /* the point's own figures come first where there is little room */
  .lane-head:has(.point) > .where,
  .lane-head:has(.point) .now {
    display: none;
  }

  .now {
    height: 32px;
    font-size: 28px;
  }

  .lane-head {
    padding: 8px 12px;
  }
}
</style>
