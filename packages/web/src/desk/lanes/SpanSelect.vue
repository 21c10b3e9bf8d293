<script setup lang="ts">
/** Selects bars by what lies there: a section, a region, the loop, the task, the whole song. */
import { regionEnds } from '@rudlo/core/mix'
import { resolve } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { t } from '../../words/t'
import AppMenu from '../../ui/overlays/AppMenu.vue'

defineProps<{ text: string }>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()

const choices = computed(() => {
  const song = desk.song!
  const sections = song.sections.map((s, i) => ({
    name: t('bars.pick.section', { letter: s.letter, name: s.name }).trim(),
    span: { from: s.tick, to: song.sections[i + 1]?.tick ?? song.length },
  }))
  const owner = resolve(work.mix!, desk.address)?.owner
  const track = work.mix!.tracks.find((t) => t.id === owner)
  const regions = (track?.regions ?? []).map((r, i) => ({
    name: t('bars.pick.region', { number: i + 1 }),
    span: regionEnds(r, desk.time!.tempo, song.length),
  }))
  return [
    ...(desk.task ? [{ name: t('bars.pick.task'), span: { from: desk.task.from, to: desk.task.to } }] : []),
    ...sections,
    ...regions,
    ...(player.loop ? [{ name: t('bars.pick.loop'), span: player.loop }] : []),
    { name: t('bars.pick.song'), span: { from: 0, to: song.length } },
  ]
})
</script>

<template>
  <AppMenu :label="t('bars.pick')">
    <template #opener="{ opener: menu }">
      <AppButton small v-bind="menu" class="where" data-test="span-select">
        {{ text }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <MenuItem v-for="c in choices" :key="c.name" @click="desk.select(c.span)">{{ c.name }}</MenuItem>
  </AppMenu>
</template>

<style scoped>
.where {
  font-weight: 700;
}
</style>
