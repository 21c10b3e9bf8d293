<script setup lang="ts">
/** What an effect does at the play position, as a picture, where one explains it. */
import { controlsOf, EFFECTS } from '@rudlo/core/effects'
import { delayRepeats, effectResponse } from '@rudlo/core/engine'
import { valueAt } from '@rudlo/core/envelope'
import { lineInCharge, type Effect } from '@rudlo/core/mix'
import { TICKS_PER_QUARTER } from '@rudlo/core/time'
import { computed } from 'vue'
import { usePlayer } from '../../../engine/player-store'
import { useDesk } from '../../desk-store'
import { useWork } from '../../../document/work-store'
import DecayPicture from './DecayPicture.vue'
import RepeatsPicture from './RepeatsPicture.vue'
import ResponsePicture from './ResponsePicture.vue'
import StepsPicture from './StepsPicture.vue'

const props = defineProps<{ effect: Effect }>()
const desk = useDesk()
const work = useWork()
const player = usePlayer()

/** Every parameter as it is now: a line in charge counts. */
const settings = computed(() =>
  Object.fromEntries(
    Object.entries(controlsOf(props.effect.kind)).map(([word, control]) => {
      const line = player.moves ? lineInCharge(work.mix!, `effect/${props.effect.id}/${word}`) : undefined
      const value = line
        ? valueAt(line.points, control.scale, player.position)
        : (props.effect.params[word] ?? control.initial)
      return [word, value]
    }),
  ),
)
const picture = computed(() => EFFECTS[props.effect.kind].picture)
const tempo = computed(() => (player.heardTime ?? desk.time!).tempo.bpmAt(player.position))
const beatQuarters = computed(() => desk.time!.meter.lengthsAt(player.position).beat / TICKS_PER_QUARTER)
</script>

<template>
  <div v-if="picture" class="picture">
    <ResponsePicture
      v-if="picture === 'response'"
      :response="(f) => effectResponse(effect.kind, effect.mode, settings, f)"
    />
    <RepeatsPicture
      v-else-if="picture === 'repeats'"
      :repeats="delayRepeats(effect.mode, settings, tempo)"
      :beat-quarters="beatQuarters"
    />
    <DecayPicture v-else-if="picture === 'decay'" :settings="settings" />
    <StepsPicture v-else :settings="settings" />
  </div>
</template>

<style scoped>
.picture {
  padding: 8px 10px 2px;
  border-radius: 8px;
  background: var(--paper);
}

.picture :deep(svg) {
  display: block;
  width: 100%;
  max-height: 118px;
}

.picture :deep(text) {
  fill: var(--soft);
  font-size: 13px;
}

.picture :deep(.mark) {
  stroke: var(--rule);
}

.picture :deep(.zero) {
  stroke: var(--soft);
  stroke-dasharray: 3 4;
}

.picture :deep(.line) {
  fill: none;
  stroke: var(--family-effect);
  stroke-width: 2;
}

.picture :deep(.area) {
  fill: var(--family-effect);
  opacity: 0.14;
}

.picture :deep(.bar) {
  fill: var(--family-effect);
}

.picture :deep(.dry) {
  fill: var(--ink);
}

.picture :deep(.side) {
  fill: var(--ink);
}
</style>
