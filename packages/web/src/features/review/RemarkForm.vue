<script setup lang="ts">
/** Pins a remark: to bars of the lane on the desk, to what was measured there, or to the whole. */
import type { SongTime } from '@rudlo/core/song'
import { nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Span } from '../../editor/lane/viewport'
import AppButton from '../../ui/buttons/AppButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import CheckBoxes from '../../ui/fields/CheckBoxes.vue'
import TextArea from '../../ui/fields/TextArea.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import { t } from '../../words/t'

const props = defineProps<{
  time: SongTime
  laneName: string
  span: Span | null
  /** The check, move or mistake that it is about. */
  subject: string
  /** Whether a suggested line goes with it. */
  suggests: boolean
  /** Hand-ins that the same can be said to, besides this one. */
  others: readonly { readonly id: string; readonly student: string }[]
}>()
const emit = defineEmits<{
  span: [span: Span | null]
  pin: [text: string, place: 'here' | 'whole', others: readonly string[]]
  keep: [text: string]
}>()

const text = defineModel<string>({ required: true })
const first = ref('')
const last = ref('')
const whole = ref(false)
const also = ref<readonly string[]>([])
/** Whether others are being chosen to whom the same is said. */
const asking = ref(false)
const area = useTemplateRef<InstanceType<typeof TextArea>>('area')

/** The span that was typed last: what is being typed is not written over. */
let own: Span | null = null
watch(
  () => props.span,
  (span) => {
    if (span) whole.value = false
    if (span && span === own) return
    const { meter } = props.time
    first.value = span ? String(meter.placeAt(span.from).bar) : ''
    last.value = span ? String(meter.placeAt(Math.max(span.from, span.to - 1)).bar) : ''
  },
  { immediate: true },
)

function typed(): void {
  const { meter, length } = props.time
  const from = Number(first.value)
  const to = Number(last.value || first.value)
  const bars = meter.placeAt(length - 1).bar
  const fits = Number.isInteger(from) && Number.isInteger(to) && from >= 1 && to >= from && to <= bars
  own = fits ? { from: meter.barStart(from), to: Math.min(length, meter.barStart(to + 1)) } : null
  if (own || props.span) emit('span', own)
}

const ready = () => Boolean(text.value.trim()) && (whole.value || props.span !== null)

function pin(): void {
  if (!ready()) return
  emit('pin', text.value.trim(), whole.value ? 'whole' : 'here', also.value)
  also.value = []
  asking.value = false
}

// once it is pinned the keys belong to the page again
watch(text, (now) => !now && area.value?.blur())

/** Puts the caret behind what is there. */
async function focus(): Promise<void> {
  await nextTick()
  area.value?.focus()
}
defineExpose({ focus, isOnWhole: () => whole.value })
</script>

<template>
  <form class="form" @submit.prevent="pin">
    <div class="about">
      <p class="soft">
        {{ whole ? '' : t('remark.of', { lane: laneName }) }}
        <template v-if="subject">{{ t('remark.about', { subject }) }}</template>
      </p>
      <IconButton
        icon="copy"
        :label="t('remark.keep')"
        :tip="t('remark.keep.tip')"
        :disabled="!text.trim()"
        data-test="keep-in-bank"
        @click="emit('keep', text.trim())"
      />
      <IconButton
        v-if="others.length"
        icon="people"
        :label="also.length ? t('remark.also', { n: also.length }) : t('remark.others')"
        :aria-pressed="asking"
        data-test="say-to-others"
        @click="asking = !asking"
      />
    </div>
    <div class="bars">
      <template v-if="!whole">
        <span>{{ t('remark.bars') }}</span>
        <TextField
          v-model="first"
          class="bar"
          bare
          inputmode="numeric"
          :label="t('remark.from')"
          @change="typed"
        />
        <span>{{ t('remark.to') }}</span>
        <TextField
          v-model="last"
          class="bar"
          bare
          inputmode="numeric"
          :label="t('remark.to.label')"
          @change="typed"
        />
      </template>
      <AppButton small class="whole" :aria-pressed="whole" data-test="on-the-whole" @click="whole = !whole">{{
        t('remark.whole')
      }}</AppButton>
    </div>
    <TextArea
      ref="area"
      v-model="text"
      :rows="2"
      maxlength="2000"
      :label="t('remark.label')"
      :placeholder="t('remark.placeholder')"
      @keydown.ctrl.enter.prevent="pin"
      @keydown.meta.enter.prevent="pin"
      @keydown.esc="area?.blur()"
    />
    <CheckBoxes
      v-if="asking"
      v-model="also"
      class="others"
      :label="t('remark.others')"
      :choices="others.map((o) => ({ value: o.id, text: o.student }))"
    />
    <div class="acts">
      <AppButton small type="submit" :disabled="!ready()" data-test="pin-remark" :tip="t('remark.pin.tip')">
        <v-icon icon="$remark" size="18" />{{ suggests && !whole ? t('remark.pin-line') : t('remark.pin') }}
      </AppButton>
      <slot />
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-2);
  padding: var(--space-2) var(--space-4) var(--space-3);
}

.form p {
  font-size: var(--text-1);
}

.bars {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  min-width: 0;
}

.about {
  display: flex;
  align-items: center;
}

.about p {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.whole {
  flex: none;
  margin-left: auto;
}

.bar {
  flex: 0 0 46px;
}

.others {
  max-height: 120px;
  overflow-y: auto;
}

.acts {
  display: flex;
  gap: 6px;
  align-items: center;
}

.acts > :first-child {
  flex: 1;
  min-width: 0;
  justify-content: center;
}
</style>
