<script setup lang="ts">
/** Play and stop, the place, the loop, moves on and off, and what is heard. The same on bench and review desk. */
import type { SongTime } from '@rudlo/core/song'
import { clockText, placeInWords } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import { useCalm } from '../../engine/calm'
import { useListening } from '../../engine/listening-store'
import { usePlayer } from '../../engine/player-store'
import { useNarrow } from '../../ui/page/narrow'
import SoundCheckDialog from '../sound-check/SoundCheckDialog.vue'
import ListenMenu from './ListenMenu.vue'
import { barsOf, loopText } from './loop-text'
import LoudnessMenu from './LoudnessMenu.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import LiveText from '../../ui/LiveText.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'

const props = defineProps<{ time: SongTime }>()
defineEmits<{ keys: [] }>()

const narrow = useNarrow()
const player = usePlayer()
const listening = useListening()
const checking = ref(false)
/** Whoever is told of the place need not be told with every frame. */
const spoken = useCalm(() => placeInWords(props.time.meter, player.position))
const place = () => props.time.meter.placeAt(player.position)
const bar = computed(() => place().bar)
const beat = computed(() => place().beat)
const clock = () => clockText(player.told.seconds)
/** Before the sound is there it can be asked for already: it begins as soon as it can. */
const playText = computed(() => {
  if (!player.ready && player.wished) return t('play.loading')
  return player.playing ? t('play.stop') : t('play.play')
})
const percent = computed(() => Math.round(player.progress * 100))

// once on every machine, as soon as there is something to hear
watch(
  () => player.ready && !listening.checked,
  (first) => first && (checking.value = true),
  { immediate: true },
)

const MOVES = [
  { value: true, text: t('play.moves.on'), test: 'moves-on' },
  { value: false, text: t('play.moves.off'), test: 'moves-off' },
]
</script>

<template>
  <footer class="transport">
    <RowButton
      class="play"
      :class="{ playing: player.playing }"
      :disabled="player.failure !== null"
      :aria-label="playText"
      :data-sound="player.ready ? (player.progress < 1 ? 'begun' : 'whole') : 'none'"
      data-test="play"
      @click="player.toggle()"
    >
      <v-progress-circular
        v-if="!player.ready && player.wished && !player.failure"
        :model-value="percent"
        size="44"
        width="4"
        :aria-label="t('play.loading')"
      />
      <v-icon v-else :icon="player.playing ? '$stop' : '$play'" :size="player.playing ? 20 : 28" />
    </RowButton>
    <p v-if="player.failure" class="failure" role="alert">{{ player.failure }}</p>
    <template v-else>
      <p class="place" data-test="place" :aria-label="spoken">
        <template v-if="player.counting">− {{ player.counting }}</template>
        <template v-else>{{ bar }}<i>·</i>{{ beat }}</template>
      </p>
      <p class="unit">
        {{
          player.counting
            ? t('play.counting')
            : player.ready && !player.waiting
              ? t('play.unit')
              : t('play.percent', { percent })
        }}<br /><LiveText :text="clock" />
      </p>
      <!-- it lies over the bar: what is pressed stays where it is -->
      <p v-if="player.learning" class="news" role="status" data-test="learning">
        {{ t('play.learning') }}
      </p>
      <p v-else-if="player.waiting" class="news" role="status" data-test="waiting">
        {{ t('play.waiting') }}
      </p>
      <p v-else-if="player.stuttered" class="news" role="status" data-test="stuttered">
        {{ t('play.stuttered') }}
      </p>
    </template>

    <AppButton
      small
      tone="desk"
      class="loop"
      :aria-pressed="player.looping"
      :disabled="!player.loop"
      :tip="t('play.loop.tip')"
      :aria-label="loopText(player.loop, time.meter)"
      data-test="loop"
      @click="player.setLoop(player.loop, !player.looping)"
    >
      <v-icon icon="$loop" size="18" /><span v-if="player.loop" class="bars">{{
        barsOf(player.loop, time.meter)
      }}</span>
    </AppButton>

    <ChoiceButtons
      desk
      class="moves"
      :choices="MOVES"
      :label="t('play.moves.label')"
      :model-value="player.moves"
      @update:model-value="player.setMoves"
    />

    <template v-if="!narrow">
      <LoudnessMenu />
      <ListenMenu @check="checking = true" />
    </template>
    <span class="push" />
    <slot />
    <IconButton
      v-if="!narrow"
      desk
      class="keys"
      icon="keys"
      :label="t('play.keys')"
      :tip="t('play.keys.tip')"
      @click="$emit('keys')"
    />
    <SoundCheckDialog v-model="checking" />
  </footer>
</template>

<style scoped>
.transport {
  position: relative;
  display: flex;
  align-items: center;
  gap: 10px;
  height: 62px;
  padding: 0 14px;
  background: var(--desk);
  color: var(--on-desk);
  white-space: nowrap;
}

.play {
  display: grid;
  place-items: center;
  flex: none;
  width: 46px;
  height: 46px;
  border: 0;
  border-radius: 50%;
  background: var(--on-desk);
  color: var(--desk);
  cursor: pointer;
}

.play:disabled {
  background: transparent;
  color: var(--on-desk);
  cursor: progress;
}

.place {
  min-width: 76px;
  font-size: var(--text-5);
  font-weight: 640;
}

.place i {
  padding: 0 7px;
  font-style: normal;
  opacity: 0.6;
}

.unit {
  font-size: 13px;
  line-height: 1.35;
  color: color-mix(in srgb, var(--on-desk) 84%, transparent);
}

.news {
  position: absolute;
  bottom: calc(100% + var(--space-2));
  left: var(--space-3);
  z-index: 3;
  max-width: calc(100% - 2 * var(--space-3));
  padding: var(--space-1) var(--space-3);
  border-radius: var(--radius-s);
  background: var(--desk);
  color: var(--on-desk);
  font-size: var(--text-1);
  white-space: normal;
  /* whatever lies under it can be pressed all the same */
  pointer-events: none;
}

/* in a language that is longer it is cut before anything is out of the window, and never to nothing */
.transport .moves {
  min-width: 116px;
}

.failure {
  max-width: 460px;
  white-space: normal;
}

.transport :focus-visible {
  outline-color: var(--on-desk);
}

.push {
  flex: 1;
}

@media (max-width: 1240px) {
  .transport {
    gap: 8px;
    padding: 0 10px;
  }

  .place {
    min-width: 64px;
    font-size: 23px;
  }

  .place i {
    padding: 0 3px;
  }

  .loop {
    max-width: 120px;
    overflow: hidden;
  }
}

@media (max-width: 1100px) {
  .unit,
  .bars,
  /* there is ? for who has keys */
  .keys {
    display: none;
  }
}
</style>
