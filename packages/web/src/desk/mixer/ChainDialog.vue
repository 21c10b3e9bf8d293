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
import { keepKeys } from '../../ui/keep-keys'

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
    change(`Added ${EFFECTS[kind].name}`),
  )
const remove = (e: Effect) => work.setMix((m) => removeEffect(m, e.id), change(`Removed ${title(e)}`))
const move = (e: Effect, to: number) =>
  work.setMix((m) => moveEffect(m, e.id, to), change(`Moved ${title(e)}`))
const rename = (e: Effect, to: string) =>
  work.setMix((m) => changeEffect(m, e.id, { name: to.trim().slice(0, 120) }), change(`Named ${title(e)}`))
const mode = (e: Effect, to: string) =>
  work.setMix((m) => changeEffect(m, e.id, { mode: to }), change(`Changed ${title(e)}`))

const song = computed(() => desk.song!.tracks.find((t) => t.id === props.owner))
const start = computed(() => desk.given!.startingMix)
const wasThere = computed(() =>
  [...start.value.tracks, ...start.value.returns].some((o) => o.id === props.owner),
)
const restore = () =>
  work.setMix((m) => restoreOwner(m, start.value, props.owner), change('Back to the starting mix'))

const chain = ref<HTMLElement>()
useSortable(chain, '.drag', (from, to) => move(owner.value.effects[from]!, to))
</script>

<template>
  <v-dialog
    aria-label="Sends and effects"
    :model-value="true"
    max-width="720"
    scrollable
    @update:model-value="emit('close')"
  >
    <div class="sheet dialog">
      <h2>The way of {{ name }}</h2>
      <p class="soft about">
        {{ song ? 'Its sound goes' : 'What is sent to it goes' }} from top to bottom, then to the fader, the
        pan and the sends after the fader.
      </p>
      <div v-if="song" class="params stage">
        <span>Pre-fader gain</span>
        <ControlSlider :address="`track/${owner.id}/gain`" :label="`Pre-fader gain of ${name}`" />
        <ControlField :address="`track/${owner.id}/gain`" :label="`Pre-fader gain of ${name} as text`" />
        <p class="soft hint">
          Before everything else. Draw a move here where a place is too weak or too strong, and the fader
          stays free for the balance. Turn up one whole region at its edge in the lines; turn up the whole
          track with the fader.
        </p>
      </div>
      <p v-if="!owner.effects.length" class="soft">No effects yet: the sound goes straight through.</p>
      <ol ref="chain">
        <li v-for="(e, i) in owner.effects" :key="e.id">
          <header>
            <v-icon
              icon="$drag"
              class="drag"
              size="20"
              title="Drag to another place"
              data-test="drag-effect"
            />
            <input
              class="title"
              :value="title(e)"
              :aria-label="`Name of effect ${i + 1}`"
              maxlength="120"
              @change="rename(e, ($event.target as HTMLInputElement).value)"
              @keydown="keepKeys"
            />
            <select
              v-if="modesOf(e.kind).length > 1"
              :value="e.mode"
              :aria-label="`Kind of ${title(e)}`"
              @change="mode(e, ($event.target as HTMLSelectElement).value)"
            >
              <option v-for="m in modesOf(e.kind)" :key="m" :value="m">{{ m }}</option>
            </select>
            <span class="push" />
            <SwitchButton
              :address="`effect/${e.id}/bypass`"
              :label="`Bypass ${title(e)}: the sound goes past it, what still rings goes on`"
              text="bypass"
            />
            <button
              class="chip"
              :disabled="i === 0"
              :aria-label="`Move ${title(e)} up`"
              @click="move(e, i - 1)"
            >
              ↑
            </button>
            <button
              class="chip"
              :disabled="i === owner.effects.length - 1"
              :aria-label="`Move ${title(e)} down`"
              @click="move(e, i + 1)"
            >
              ↓
            </button>
            <button class="chip" :aria-label="`Remove ${title(e)}`" @click="remove(e)">
              <v-icon icon="$remove" size="18" />
            </button>
          </header>
          <p class="soft about">{{ EFFECTS[e.kind].about }}</p>
          <EffectPicture :effect="e" />
          <div class="params">
            <template v-for="[word, control] in [...words(e), ['wet', { name: 'Wet' }] as const]" :key="word">
              <span>{{ control.name }}</span>
              <ControlSlider :address="`effect/${e.id}/${word}`" :label="`${control.name} of ${title(e)}`" />
              <ControlField
                :address="`effect/${e.id}/${word}`"
                :label="`${control.name} of ${title(e)} as text`"
              />
            </template>
          </div>
        </li>
      </ol>
      <p v-if="owner.effects.length" class="soft about">
        Bypass shuts the way in: what still rings rings out. Wet at 0 % shuts the way out: what still rings is
        cut off.
      </p>
      <div v-if="song?.channels === 2" class="params stage">
        <span>Width</span>
        <ControlSlider :address="`track/${owner.id}/width`" :label="`Width of ${name}`" />
        <ControlField :address="`track/${owner.id}/width`" :label="`Width of ${name} as text`" />
        <p class="soft hint">How far left and right are apart: 0 % is mono, 100 % as it was recorded.</p>
      </div>
      <div class="row">
        <button
          v-for="kind in EFFECT_KINDS"
          :key="kind"
          class="chip"
          :title="EFFECTS[kind].about"
          @click="add(kind)"
        >
          + {{ EFFECTS[kind].name }}
        </button>
        <span class="push" />
        <button v-if="wasThere" class="chip" data-test="restore-track" @click="restore">
          {{ name }} as in the starting mix
        </button>
        <v-btn color="primary" variant="flat" @click="emit('close')">Done</v-btn>
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
