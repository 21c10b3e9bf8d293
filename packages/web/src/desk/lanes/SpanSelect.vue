<script setup lang="ts">
/** Selects bars by what lies there: a section, a region, the loop, the task, the whole song. */
import { regionEnds } from '@rudlo/core/mix'
import { resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'

defineProps<{ text: string }>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()

const choices = computed(() => {
  const song = desk.song!
  const sections = song.sections.map((s, i) => ({
    name: `section ${s.letter} ${s.name}`.trim(),
    span: { from: s.tick, to: song.sections[i + 1]?.tick ?? song.length },
  }))
  const owner = resolve(work.mix!, desk.address)?.owner
  const track = work.mix!.tracks.find((t) => t.id === owner)
  const regions = (track?.regions ?? []).map((r, i) => ({
    name: `region ${i + 1} of this track`,
    span: regionEnds(r, desk.time!.tempo, song.length),
  }))
  return [
    ...(desk.task
      ? [{ name: 'the bars of the task', span: { from: desk.task.from, to: desk.task.to } }]
      : []),
    ...sections,
    ...regions,
    ...(player.loop ? [{ name: 'the loop', span: player.loop }] : []),
    { name: 'the whole song', span: { from: 0, to: song.length } },
  ]
})
</script>

<template>
  <v-menu max-height="420">
    <template #activator="{ props: menu }">
      <button v-bind="menu" class="chip where" data-test="span-select">
        {{ text }}<v-icon icon="$choose" size="18" />
      </button>
    </template>
    <div class="sheet menu" role="group" aria-label="Select bars">
      <button v-for="c in choices" :key="c.name" @click="desk.select(c.span)">{{ c.name }}</button>
    </div>
  </v-menu>
</template>

<style scoped>
.where {
  font-weight: 700;
}
</style>
