<script setup lang="ts">
/** Bars as people say them: "5 to 8", or from beat to beat "5.3 to 8.1". */
import { parseSpan, spanShort, type MeterMap } from '@rudlo/core/time'
import { ref, watch } from 'vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  span: { readonly from: number; readonly to: number }
  meter: MeterMap
  length: number
  label: string
  hint?: string
}>()
const emit = defineEmits<{ span: [span: { from: number; to: number }] }>()

const shown = () => {
  const [from, to] = spanShort(props.span, props.meter, props.length)
  return to === undefined ? from : t('brief.span.text', { from, to })
}
const text = ref(shown())
const odd = ref(false)
watch(
  () => [props.span.from, props.span.to],
  () => {
    text.value = shown()
    odd.value = false
  },
)

function take(): void {
  const span = parseSpan(props.meter, text.value, props.length)
  odd.value = span === null
  if (span) emit('span', span)
}
</script>

<template>
  <TextField
    v-model="text"
    compact
    :label="label"
    :hint="hint"
    :fault="odd ? t('brief.span.odd') : null"
    data-test="span"
    @change="take"
    @keydown.enter="take"
    @keydown.stop
  />
</template>
