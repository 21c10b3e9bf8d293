<script setup lang="ts">
/** A student's work as it grows: read-only, heard, and pointed at. Without names on the projector, and only if they allow it. */
import { laneName } from '@rudlo/core/assess'
import { allLanes, envelopeOf } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import ReadLane from '../../editor/lane/ReadLane.vue'
import { useSpan } from '../../editor/lane/use-span'
import type { Span } from '../../editor/lane/viewport'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import { useLesson } from './lesson-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

defineProps<{ projector: boolean }>()
const emit = defineEmits<{ projector: [on: boolean] }>()

const lesson = useLesson()
const player = usePlayer()
const pointed = shallowRef<Span | null>(null)

const song = computed(() => lesson.opened!.songDocument)
const time = computed(() => songTime(song.value))
const mix = computed(() => lesson.mix!)
const { span, zoom, scroll, showAll } = useSpan(() => time.value)
showAll()
const lanes = computed(() => {
  const asked = lesson.opened!.brief.tasks.flatMap((t) => t.lanes)
  return allLanes(mix.value)
    .filter((l) => asked.includes(l) || (envelopeOf(mix.value, l)?.points.length ?? 0) > 0)
    .map((address) => ({ address, name: laneName(song.value, mix.value, address) }))
})
const lane = ref(lanes.value[0]?.address ?? `track/${song.value.tracks[0]!.id}/level`)

watch(
  mix,
  (now, before) => {
    if (before && (player.ready || player.progress > 0)) player.load(now)
    else void player.open(song.value, now)
  },
  { immediate: true },
)
onBeforeUnmount(() => void player.close())

async function point(place: Span): Promise<void> {
  pointed.value = place
  await lesson.pointAt(lesson.opened!.id, { lane: lane.value, ...place }, lesson.student!.id)
}
</script>

<template>
  <div class="live">
    <header>
      <h1>{{ projector ? lesson.opened!.title : lesson.student!.name }}</h1>
      <div class="lanes" role="group" :aria-label="t('lesson.lanes')">
        <AppButton
          v-for="l in lanes"
          :key="l.address"
          small
          :aria-pressed="lane === l.address"
          @click="lane = l.address"
        >
          {{ l.name }}
        </AppButton>
      </div>
      <AppButton
        v-if="lesson.student!.helpAt && !projector"
        small
        data-test="helped"
        @click="lesson.helped(lesson.student!.id)"
      >
        <v-icon icon="$done" size="16" />{{ t('lesson.helped') }}
      </AppButton>
      <AppButton
        v-if="projector || lesson.student!.shows"
        small
        :aria-pressed="projector"
        data-test="projector"
        @click="emit('projector', !projector)"
      >
        {{ projector ? t('lesson.full.exit') : t('lesson.project') }}
      </AppButton>
      <span v-else class="soft small">{{ t('lesson.project.no') }}</span>
    </header>
    <PlayedStrip :song="song" :time="time" :shown="span" />
    <p v-if="!projector" class="soft small">{{ t('lesson.drag') }}</p>
    <ReadLane
      class="sheet canvas"
      :song="song"
      :time="time"
      :mix="mix"
      :address="lane"
      :span="span"
      :marked="pointed"
      @bars="point"
      @zoom="zoom"
      @scroll="scroll"
    />
    <TransportBar :time="time" />
  </div>
</template>

<style scoped>
.live {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
  padding-top: 12px;
}

header,
.live > :not(.transport, header) {
  margin-inline: 14px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}

h1 {
  font-size: 22px;
}

.lanes {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 4px;
}

.small {
  font-size: 14px;
}

.canvas {
  flex: 1;
  min-height: 160px;
}
</style>
