<script setup lang="ts">
const time = computed(() => soundingTime(desk.song!, props.version.document.mix))
/** What is heard of each task of a version that came back: pressed, its bars are played. */
import { askedBand } from '@rudlo/core/heard'
import type { OwnVersion } from '@rudlo/contract/handins'
import { soundingTime } from '@rudlo/core/mix'
import { computed } from 'vue'
import StillPicture from '../../charts/StillPicture.vue'
import { useDesk } from '../../desk/desk-store'
import { saidOf, titleOf } from '../../desk/heard/picture-words'
import { usePlayer } from '../../engine/player-store'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'
import { useBench } from './bench-store'

const props = defineProps<{ version: OwnVersion }>()

const bench = useBench()
const desk = useDesk()
const player = usePlayer()

/** What is heard of each task, as it was measured. */
const heard = computed(() => {
  const { assessment, document } = props.version
  return bench.assignment!.brief.tasks.flatMap((task) => {
    const by = { song: desk.song!, mix: document.mix, time: time.value, within: task }
    return (assessment?.pictures?.[task.id] ?? []).map((picture, i) => ({
      key: `${task.id} ${i}`,
      picture,
      title: titleOf(by, picture),
      said: saidOf(by, picture)[0],
      band: askedBand(task),
      stretch: { from: task.from, to: task.to },
    }))
  })
})
</script>

<template>
  <section v-if="heard.length" class="heard" :aria-label="t('heard.view')">
    <RowButton
      v-for="h in heard"
      :key="h.key"
      class="picture"
      :tip="t('came.picture.tip')"
      data-test="came-picture"
      @click="player.playLoop(h.stretch)"
    >
      <span class="soft">{{ h.title }}</span>
      <span>{{ h.said }}</span>
      <StillPicture small :picture="h.picture" :time="time" :band="h.band" :label="h.title" />
    </RowButton>
  </section>
</template>

<style scoped>
.heard {
  display: grid;
  gap: var(--space-2);
}

.picture {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: var(--space-2);
  border: 1px solid var(--rule);
  font-size: var(--text-1);
}
</style>
