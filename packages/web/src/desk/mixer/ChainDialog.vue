<script setup lang="ts">
/** The way of the sound through one track or return: gain, effects in order, width; and the way back to the start. */
import { controlsOf, EFFECT_KINDS, type EffectKind, modesOf } from '@rudlo/core/effects'
import { addEffect, changeEffect, moveEffect, removeEffect, restoreOwner, type Effect } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import ControlField from './ControlField.vue'
import ControlSlider from './ControlSlider.vue'
import PlainInput from '../../ui/fields/PlainInput.vue'
import EffectPicture from './pictures/EffectPicture.vue'
import SwitchButton from './SwitchButton.vue'
import { useSortable } from '../../ui/use-sortable'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

const props = defineProps<{ owner: string }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const work = useWork()
const owner = computed(() => [...work.mix!.tracks, ...work.mix!.returns].find((o) => o.id === props.owner)!)
const name = computed(
  () =>
    desk.song!.tracks.find((track) => track.id === props.owner)?.name ??
    work.mix!.returns.find((r) => r.id === props.owner)?.name ??
    '',
)
const title = (e: Effect) => e.name || t(`effect.${e.kind}`)
/** A delay shows its time or its note value, as its mode says. */
const words = (e: Effect) =>
  Object.entries(controlsOf(e.kind)).filter(
    ([word]) => e.kind !== 'delay' || word !== (e.mode === 'note' ? 'time' : 'note'),
  )

/** The ways that an effect of several can work, by name. */
const MODES: Readonly<Record<string, string>> = {
  time: t('effect.mode.time'),
  note: t('effect.mode.note'),
  'low-pass': t('effect.mode.low-pass'),
  'high-pass': t('effect.mode.high-pass'),
  'band-pass': t('effect.mode.band-pass'),
}
const modeName = (mode: string) => MODES[mode] ?? mode

const change = (label: string) => ({ label: `${label}, ${name.value}`, lanes: [], from: 0, to: 0 })
const add = (kind: EffectKind) =>
  work.setMix(
    (m) => addEffect(m, props.owner, kind, crypto.randomUUID()),
    change(t('chain.did.added', { name: t(`effect.${kind}`) })),
  )
const remove = (e: Effect) =>
  work.setMix((m) => removeEffect(m, e.id), change(t('chain.did.removed', { name: title(e) })))
const move = (e: Effect, to: number) =>
  work.setMix((m) => moveEffect(m, e.id, to), change(t('chain.did.moved', { name: title(e) })))
const rename = (e: Effect, to: string) =>
  to.trim() !== title(e) &&
  work.setMix(
    (m) => changeEffect(m, e.id, { name: to.trim().slice(0, 120) }),
    change(t('chain.did.named', { name: title(e) })),
  )
const mode = (e: Effect, to: string) =>
  work.setMix((m) => changeEffect(m, e.id, { mode: to }), change(t('chain.did.changed', { name: title(e) })))

const song = computed(() => desk.song!.tracks.find((track) => track.id === props.owner))
const start = computed(() => desk.given!.startingMix)
const wasThere = computed(() =>
  [...start.value.tracks, ...start.value.returns].some((o) => o.id === props.owner),
)
const restore = () =>
  work.setMix((m) => restoreOwner(m, start.value, props.owner), change(t('chain.did.start')))

const chain = ref<HTMLElement>()
useSortable(chain, '.drag', (from, to) => move(owner.value.effects[from]!, to))
</script>

<template>
  <AppDialog
    :model-value="true"
    scrollable
    :title="t('chain.title', { name })"
    :width="720"
    @update:model-value="emit('close')"
  >
    <p class="soft about">
      {{ t(song ? 'chain.about.track' : 'chain.about.return') }}
    </p>
    <div v-if="song" class="params stage">
      <span>{{ t('chain.gain') }}</span>
      <ControlSlider :address="`track/${owner.id}/gain`" :label="t('chain.gain.of', { name })" />
      <ControlField :address="`track/${owner.id}/gain`" :label="t('chain.gain.typed', { name })" />
      <p class="soft hint">
        {{ t('chain.gain.about') }}
      </p>
    </div>
    <p v-if="!owner.effects.length" class="soft">{{ t('chain.empty') }}</p>
    <ol ref="chain">
      <li v-for="(e, i) in owner.effects" :key="e.id">
        <div class="head">
          <v-icon icon="$drag" class="drag" size="20" :title="t('chain.drag')" data-test="drag-effect" />
          <PlainInput
            class="title"
            :value="title(e)"
            :label="t('chain.name', { number: i + 1 })"
            maxlength="120"
            @take="rename(e, $event)"
          />
          <SelectField
            v-if="modesOf(e.kind).length > 1"
            class="mode"
            bare
            :model-value="e.mode"
            :label="t('chain.kind', { name: title(e) })"
            :choices="modesOf(e.kind).map((value) => ({ value, text: modeName(value) }))"
            @update:model-value="(to) => mode(e, to)"
            @keydown="keepKeys"
          />
          <span class="push" />
          <SwitchButton
            :address="`effect/${e.id}/bypass`"
            :label="t('chain.bypass.label', { name: title(e) })"
            :text="t('chain.bypass')"
          />
          <IconButton
            icon="up"
            :disabled="i === 0"
            :label="t('chain.up', { name: title(e) })"
            @click="move(e, i - 1)"
          />
          <IconButton
            icon="down"
            :disabled="i === owner.effects.length - 1"
            :label="t('chain.down', { name: title(e) })"
            @click="move(e, i + 1)"
          />
          <IconButton icon="remove" :label="t('chain.remove', { name: title(e) })" @click="remove(e)" />
        </div>
        <p class="soft about">{{ t(`effect.${e.kind}.about`) }}</p>
        <EffectPicture :effect="e" />
        <div class="params">
          <template
            v-for="[word, control] in [...words(e), ['wet', { name: t('chain.wet') }] as const]"
            :key="word"
          >
            <span>{{ control.name }}</span>
            <ControlSlider
              :address="`effect/${e.id}/${word}`"
              :label="t('chain.control', { control: control.name, name: title(e) })"
            />
            <ControlField
              :address="`effect/${e.id}/${word}`"
              :label="t('chain.control.typed', { control: control.name, name: title(e) })"
            />
          </template>
        </div>
      </li>
    </ol>
    <p v-if="owner.effects.length" class="soft about">
      {{ t('chain.bypass.about') }}
    </p>
    <div v-if="song?.channels === 2" class="params stage">
      <span>{{ t('chain.width') }}</span>
      <ControlSlider :address="`track/${owner.id}/width`" :label="t('chain.width.of', { name })" />
      <ControlField :address="`track/${owner.id}/width`" :label="t('chain.width.typed', { name })" />
      <p class="soft hint">{{ t('chain.width.about') }}</p>
    </div>
    <template #acts>
      <AppButton
        v-for="kind in EFFECT_KINDS"
        :key="kind"
        small
        :tip="t(`effect.${kind}.about`)"
        @click="add(kind)"
      >
        + {{ t(`effect.${kind}`) }}
      </AppButton>
      <span class="push" />
      <AppButton v-if="wasThere" small data-test="restore-track" @click="restore">
        {{ t('chain.to-start', { name }) }}
      </AppButton>
      <AppButton tone="main" @click="emit('close')">{{ t('ui.done') }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
ol {
  display: grid;
  gap: 12px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  padding: 12px 14px;
  border: 1px solid var(--rule);
  border-radius: var(--radius);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.push {
  flex: 1;
}

.title {
  width: 150px;
  font-size: var(--text-3);
  font-weight: 660;
  text-align: start;
}

.mode {
  flex: 0 0 150px;
}

.about,
.hint {
  font-size: 14px;
}

.hint {
  grid-column: 2 / -1;
}

.stage {
  padding: 6px 14px;
  border: 1px dashed var(--rule);
  border-radius: var(--radius);
}

.drag {
  cursor: grab;
  touch-action: none;
  user-select: none;
}

.params {
  display: grid;
  grid-template-columns: 130px 1fr auto;
  gap: 0 14px;
  align-items: center;
  margin-top: 6px;
  font-size: 15px;
}
</style>
