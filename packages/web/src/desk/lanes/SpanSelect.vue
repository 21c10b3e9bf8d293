<script setup lang="ts">
/** Selects bars by what lies there: a section, a region, the loop, the task, the whole song. */
import { regionEnds } from '@rudlo/core/mix'
import { resolve } from '@rudlo/core/mix'
import { parseSpan, spanShort } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import { keepKeys } from '../../ui/keys/keep-keys'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { t } from '../../words/t'
import AppMenu from '../../ui/overlays/AppMenu.vue'

defineProps<{ text: string }>()

const open = ref(false)
const typed = ref('')
const fault = ref<string | null>(null)

const desk = useDesk()
const work = useWork()
const player = usePlayer()

watch(open, () => {
  const span = desk.selection
  typed.value = span ? spanShort(span, desk.time!.meter, desk.song!.length).join(' – ') : ''
  fault.value = null
})

/** Takes what was typed: whole bars, or from beat to beat. */
function take(): void {
  const span = parseSpan(desk.time!.meter, typed.value, desk.song!.length)
  if (!span) return void (fault.value = t('bars.typed.nonsense'))
  desk.select(span)
  open.value = false
}

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
  <AppMenu v-model="open" stays :label="t('bars.pick')">
    <template #opener="{ opener: menu }">
      <AppButton small v-bind="menu" class="where" data-test="span-select">
        {{ text }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="typed" @keydown="keepKeys">
      <TextField
        v-model="typed"
        compact
        :label="t('bars.typed')"
        :hint="t('bars.typed.hint')"
        :fault="fault"
        data-test="span-typed"
        @keydown.enter.prevent="take"
      />
    </div>
    <v-list class="choices" density="compact" role="menu" :aria-label="t('bars.pick')">
      <MenuItem v-for="c in choices" :key="c.name" @click="((open = false), desk.select(c.span))">{{
        c.name
      }}</MenuItem>
    </v-list>
  </AppMenu>
</template>

<style scoped>
.typed {
  width: 240px;
}

.choices {
  padding: 0;
  background: transparent;
}

.where {
  font-weight: 700;
}
</style>
