<script setup lang="ts">
/** Listening notes: what the student wants to come back to, at its bar. Ticked off when it is dealt with. */
import type { ListeningNote } from '@rudlo/core/mix'
import { computed, nextTick, ref, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { usePass } from '../../desk/pass/pass-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import NoteRow from './NoteRow.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()
const pass = usePass()
const list = ref<HTMLElement>()

const bar = (tick: number) => desk.time!.meter.placeAt(tick).bar
/** The bar that is heard: changes once a bar, not once a frame. */
const here = computed(() => bar(player.position))
const notes = computed(() => [...work.notes].sort((a, b) => a.tick - b.tick))
const change = (label: string, tick: number) => ({ label, lanes: [], from: tick, to: tick })

function edit(note: ListeningNote, by: Partial<ListeningNote>, label: string): void {
  work.setNotes((all) => all.map((n) => (n.id === note.id ? { ...n, ...by } : n)), change(label, note.tick))
}

/** Plays from before the note's bar; what is held there is written. */
const repair = ({ tick }: ListeningNote) =>
  pass.repair({ from: tick, to: Math.min(desk.song!.length, tick + desk.time!.meter.lengthsAt(tick).bar) })

const remove = (note: ListeningNote) =>
  work.setNotes((all) => all.filter((n) => n.id !== note.id), change(t('note.did.removed'), note.tick))

// a note that was just dropped waits for its words
watch(
  () => bench.freshNote,
  async (id) => {
    if (!id) return
    await nextTick()
    list.value?.querySelector<HTMLInputElement>(`[data-note="${id}"] input`)?.focus()
    bench.freshNote = null
  },
  { immediate: true },
)
</script>

<template>
  <div class="notes">
    <p class="soft">
      {{ t('note.about') }}
    </p>
    <AppButton small data-test="drop-note" @click="bench.dropNote()">{{
      t('note.add', { bar: here })
    }}</AppButton>
    <ul ref="list">
      <NoteRow
        v-for="note in notes"
        :key="note.id"
        :note="note"
        :bar="bar(note.tick)"
        @done="edit(note, { done: !note.done }, note.done ? t('note.did.reopened') : t('note.did.done'))"
        @go="player.seek(note.tick)"
        @write="(text: string) => edit(note, { text }, t('note.did.wrote'))"
        @repair="repair(note)"
        @remove="remove(note)"
      />
    </ul>
  </div>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 10px;
  justify-items: start;
}

ul {
  display: grid;
  gap: 6px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
