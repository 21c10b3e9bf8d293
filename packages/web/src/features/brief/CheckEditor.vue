<script setup lang="ts">
/** One check of a task as a sentence: each value in it is changed where it stands. */
import { kindOf, type Check, type Field, type FieldValue } from '@rudlo/core/checks'
import { placeInWords, spanShort } from '@rudlo/core/time'
import { shortNumber } from '@rudlo/words'
import { computed } from 'vue'
import { barsOf } from '../../desk/transport/loop-text'
import IconButton from '../../ui/buttons/IconButton.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'
import { piecesOf, unitHere } from './check-sentence'
import CheckValue from './CheckValue.vue'

const props = defineProps<{ check: Check }>()
const emit = defineEmits<{ change: [check: Check]; remove: [] }>()

const store = useBrief()
const kind = computed(() => kindOf(props.check.kind))
/** How often it was overruled. */
const times = computed(() => store.overruledChecks[props.check.id] ?? 0)

const set = (values: Readonly<Record<string, FieldValue>>) =>
  emit('change', { ...props.check, values: { ...props.check.values, ...values } })

/** A value as it is read in the sentence. */
function said(name: string, field: Field): string {
  const value = props.check.values[name]
  if (field.type === 'place') return placeInWords(store.time!.meter, Number(value))
  if (field.type === 'number')
    return `${shortNumber(Number(value), 1)} ${unitHere(field.unit, props.check.values, store.mix!)}`.trim()
  if (field.type === 'lane') return store.lanes.find((l) => l.lane === value)?.text ?? String(value)
  if (field.type === 'track') return store.song!.tracks.find((one) => one.id === value)?.name ?? String(value)
  if (field.type === 'choice') return field.textOf(String(value))
  return t('brief.check.lanes', { n: (value as readonly string[]).length })
}

const span = computed(() => ({
  from: Number(props.check.values['from']),
  to: Number(props.check.values['to']),
}))
const spanSaid = computed(() => {
  const [from, to] = spanShort(span.value, store.time!.meter, store.song!.length)
  return from.includes('.')
    ? t('brief.span.text', { from, to: to ?? '' })
    : barsOf(span.value, store.time!.meter)
})
const pieces = computed(() =>
  piecesOf(store.sentenceOf(props.check.kind)).map((piece) => {
    if ('words' in piece) return piece
    if (piece.field === 'span') return { ...piece, shown: spanSaid.value, value: null }
    const value = kind.value.fields[piece.field]
    return value ? { ...piece, shown: said(piece.field, value), value } : { words: '' }
  }),
)
</script>

<template>
  <div class="check" data-test="edit-check" :data-kind="check.kind">
    <div class="sentence">
      <p>
        <template v-for="(p, i) in pieces" :key="i"
          ><template v-if="'words' in p">{{ p.words }}</template
          ><CheckValue
            v-else
            :name="p.field"
            :field="p.value"
            :shown="p.shown"
            :unit="p.value?.type === 'number' ? unitHere(p.value.unit, check.values, store.mix!) : ''"
            :value="check.values[p.field]"
            :span="span"
            @set="set"
        /></template>
      </p>
      <p v-if="times" class="mend" data-test="overruled-often">
        {{ t('brief.check.overruled', { n: times }) }}
      </p>
    </div>
    <IconButton icon="remove" :label="t('brief.check.remove', { name: kind.name })" @click="emit('remove')" />
  </div>
</template>

<style scoped>
.check {
  display: flex;
  gap: var(--space-2);
  align-items: start;
  padding: var(--space-2) var(--space-3);
  border: 1px solid var(--rule);
  border-radius: var(--radius-s);
  line-height: 1.8;
}

.sentence {
  flex: 1;
}

.mend {
  color: var(--close);
  font-size: var(--text-1);
}
</style>
