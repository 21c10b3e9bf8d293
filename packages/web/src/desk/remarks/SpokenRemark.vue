<script lang="ts">
/** Ends what is heard of another remark: one voice at a time. */
let hush: (() => void) | null = null
</script>

<script setup lang="ts">
/** What was spoken for a remark: its waveform and length, heard alone or with the song under it. */
import type { SpokenView } from '@rudlo/contract/reviews'
import { computed, onBeforeUnmount, ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import IconButton from '../../ui/buttons/IconButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{
  spoken: SpokenView
  /** Where its recording is. */
  source: string
  /** Where in the song it belongs, in ticks. */
  from: number
}>()

/** How far the song steps back under a voice, in dB. */
const DUCKED = -14

const player = usePlayer()
const heard = ref<HTMLAudioElement | null>(null)
const problem = ref('')
/** How far it has come, 0…1; null while it is not heard. */
const at = ref<number | null>(null)
const ducks = ref(false)
const length = computed(() => {
  const seconds = Math.round(props.spoken.ms / 1000)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
})
const HEIGHT = 24
const bars = computed(() => (props.spoken.wave.length ? props.spoken.wave : [0]))

function stop(): void {
  heard.value?.pause()
  heard.value = null
  at.value = null
  if (ducks.value) {
    player.stop()
    player.duck(0)
  }
  ducks.value = false
}

/** @param withSong whether the song plays under it, from where it belongs */
async function play(withSong: boolean): Promise<void> {
  const again = heard.value === null || ducks.value !== withSong
  stop()
  if (!again) return
  if (hush !== stop) hush?.()
  hush = stop
  problem.value = ''
  const audio = new Audio(props.source)
  heard.value = audio
  audio.addEventListener(
    'timeupdate',
    () => (at.value = Math.min(1, (audio.currentTime * 1000) / props.spoken.ms)),
  )
  audio.addEventListener('ended', stop)
  audio.addEventListener('error', () => {
    problem.value = t('voice.unheard')
    stop()
  })
  at.value = 0
  if (withSong && player.ready) {
    ducks.value = true
    player.duck(DUCKED)
    player.seek(props.from)
    void player.play()
  } else player.stop()
  await audio.play().catch(() => null)
}

onBeforeUnmount(() => {
  stop()
  if (hush === stop) hush = null
})
</script>

<template>
  <div class="spoken" data-test="spoken">
    <IconButton
      :icon="at !== null && !ducks ? 'stop' : 'play'"
      :label="at !== null && !ducks ? t('voice.stop') : t('voice.play')"
      data-test="play-spoken"
      @click="play(false)"
    />
    <svg :viewBox="`0 0 ${bars.length * 3} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
      <rect
        v-for="(bar, i) in bars"
        :key="i"
        :class="{ past: at !== null && i / bars.length < at }"
        :x="i * 3"
        :y="(HEIGHT - Math.max(1, (bar / 100) * HEIGHT)) / 2"
        width="2"
        :height="Math.max(1, (bar / 100) * HEIGHT)"
      />
    </svg>
    <span class="soft" :aria-label="t('voice.length', { length })">{{ length }}</span>
    <AppButton
      v-if="player.ready"
      small
      tone="quiet"
      :aria-pressed="ducks"
      :tip="t('voice.with-song.tip')"
      data-test="spoken-with-song"
      @click="play(true)"
      >{{ t('voice.with-song') }}</AppButton
    >
    <p v-if="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.spoken {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  align-items: center;
}

svg {
  flex: 1 1 60px;
  min-width: 60px;
  max-width: 200px;
  height: 24px;
}

rect {
  fill: var(--soft);
}

.past {
  fill: var(--warm);
}

p {
  flex: 1 1 100%;
}
</style>
