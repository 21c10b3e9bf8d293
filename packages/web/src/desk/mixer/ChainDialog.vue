<script setup lang="ts">
/** The way of the sound through one track or return: gain, effects in order, width; and the way back to the start. */
import { controlsOf, EFFECTS, EFFECT_KINDS, type EffectKind, modesOf } from '@rudlo/core/effects'
import { addEffect, changeEffect, moveEffect, removeEffect, restoreOwner, type Effect } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import ControlField from './ControlField.vue'
import ControlSlider from './ControlSlider.vue'
import EffectPicture from './pictures/EffectPicture.vue'
import SwitchButton from './SwitchButton.vue'
import { useSortable } from '../../ui/use-sortable'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ owner: string }>()
const emit = defineEmits<{ close: [] }>()

const desk = useDesk()
const work = useWork()
const owner = computed(() => [...work.mix!.tracks, ...work.mix!.returns].find((o) => o.id === props.owner)!)
const name = computed(
  () =>
    desk.song!.tracks.find((t) => t.id === props.owner)?.name ??
    work.mix!.returns.find((r) => r.id === props.owner)?.name ??
    '',
)
const title = (e: Effect) => e.name || EFFECTS[e.kind].name
/** A delay shows its time or its note value, as its mode says. */
const words = (e: Effect) =>
  Object.entries(controlsOf(e.kind)).filter(
    ([word]) => e.kind !== 'delay' || word !== (e.mode === 'note' ? 'time' : 'note'),
  )

const change = (label: string) => ({ label: `${label}, ${name.value}`, lanes: [], from: 0, to: 0 })
const add = (kind: EffectKind) =>
  work.setMix(
    (m) => addEffect(m, props.owner, kind, crypto.randomUUID()),
    change(t('chain.did.added', { name: EFFECTS[kind].name })),
  )
const remove = (e: Effect) => work.setMix((m) => removeEffect(m, e.id), change(t('chain.did.removed', { name: title(e) })))
const move = (e: Effect, to: number) =>
  work.setMix((m) => moveEffect(m, e.id, to), change(t('chain.did.moved', { name: title(e) })))
const rename = (e: Effect, to: string) =>
  work.setMix((m) => changeEffect(m, e.id, { name: to.trim().slice(0, 120) }), change(t('chain.did.named', { name: title(e) })))
const mode = (e: Effect, to: string) =>
  work.setMix((m) => changeEffect(m, e.id, { mode: to }), change(t('chain.did.changed', { name: title(e) })))

const song = computed(() => desk.song!.tracks.find((t) => t.id === props.owner))
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
  <v-dialog
    :aria-label="t('chain.label')"
    :model-value="true"
    max-width="720"
    scrollable
    @update:model-value="emit('close')"
  >
    <div class="sheet dialog">
      <h2>{{ t('chain.title', { name }) }}</h2>
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
          <header>
            <v-icon
              icon="$drag"
              class="drag"
              size="20"
              :title="t('chain.drag')"
              data-test="drag-effect"
            />
            <input
              class="title"
              :value="title(e)"
              :aria-label="t('chain.name', { number: i + 1 })"
              maxlength="120"
              @change="rename(e, ($event.target as HTMLInputElement).value)"
              @keydown="keepKeys"
            />
            <select
              v-if="modesOf(e.kind).length > 1"
              :value="e.mode"
              :aria-label="t('chain.kind', { name: title(e) })"
              @change="mode(e, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="m in modesOf(e.kind)" :key="m" :value="m">{{ m }}</option>
            </select>
            <span class="push" />
            <SwitchButton
              :address="`effect/${e.id}/bypass`"
              :label="t('chain.bypass.label', { name: title(e) })"
              :text="t('chain.bypass')"
            />
            <AppButton small
             
              :disabled="i === 0"
              :aria-label="t('chain.up', { name: title(e) })"
              @click="move(e, i - 1)"
            >
              ↑
            </AppButton>
            <AppButton small
             
              :disabled="i === owner.effects.length - 1"
              :aria-label="t('chain.down', { name: title(e) })"
              @click="move(e, i + 1)"
            >
              ↓
            </AppButton>
            <AppButton small :aria-label="t('chain.remove', { name: title(e) })" @click="remove(e)">
              <v-icon icon="$remove" size="18" />
            </AppButton>
          </header>
          <p class="soft about">{{ EFFECTS[e.kind].about }}</p>
          <EffectPicture :effect="e" />
          <div class="params">
            <template v-for="[word, control] in [...words(e), ['wet', { name: t('chain.wet') }] as const]" :key="word">
              <span>{{ control.name }}</span>
              <ControlSlider :address="`effect/${e.id}/${word}`" :label="t('chain.control', { control: control.name, name: title(e) })" />
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
      <div class="row">
        <AppButton small
          v-for="kind in EFFECT_KINDS"
          :key="kind"
         
          :tip="EFFECTS[kind].about"
          @click="add(kind)"
        >
          + {{ EFFECTS[kind].name }}
        </AppButton>
        <span class="push" />
        <AppButton small v-if="wasThere" data-test="restore-track" @click="restore">
          {{ t('chain.to-start', { name }) }}
        </AppButton>
        <AppButton tone="main" @click="emit('close')">{{ t('ui.done') }}</AppButton>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.dialog {
  display: grid;
  gap: 12px;
  padding: 22px 24px;
  max-height: 86vh;
  overflow-y: auto;
}

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

header,
.row {
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
  height: 32px;
  border: 1px solid transparent;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 17px;
  font-weight: 660;
}

.title:hover,
.title:focus {
  border-color: var(--rule);
}

select {
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
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
