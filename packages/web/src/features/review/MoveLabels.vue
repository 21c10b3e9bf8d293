<script setup lang="ts">
/** Names of moves on a line: kind, depth, length, each beside its move where there is room for it. */
import { moveName } from '@rudlo/core/assess'
import type { Move } from '@rudlo/core/moves'
import { decibels, gainDecibels, type Control } from '@rudlo/core/scale'
import { lengthInWords, numberText } from '@rudlo/words'
import { computed } from 'vue'
import type { Viewport } from '../../editor/lane/viewport'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ view: Viewport; moves: readonly Move[]; control: Control }>()
const emit = defineEmits<{ take: [move: Move] }>()

/** px that a label needs. */
const WIDTH = 150
const HEIGHT = 20

function depthOf(move: Move): string {
  const { unit } = props.control
  const isLevel = unit === decibels || unit === gainDecibels
  if (move.kind === 'fade in' || move.kind === 'fade out') return ''
  return isLevel ? ` ${numberText(move.depth, 1)} dB` : t('moves.goal', { goal: unit.format(move.goal) })
}

const labels = computed(() => {
  const taken: { left: number; top: number }[] = []
  return props.moves.flatMap((move) => {
    const { view, control } = props
    const from = view.x(move.start)
    const to = view.x(move.end)
    if (to < 0 || from > view.width) return []
    const left = Math.min(Math.max(4, (from + to) / 2 - WIDTH / 2), view.width - WIDTH - 62)
    const y = view.y(control.scale.toTravel(move.goal))
    const wanted = y < 34 ? y + 12 : move.depth < 0 && y < view.height - 40 ? y + 12 : y - 30
    // upwards, then downwards, until nothing lies under it
    const top = [0, -22, 22, -44, 44, -66]
      .map((d) => wanted + d)
      .find(
        (t) =>
          t > 18 &&
          t < view.height - 24 &&
          !taken.some((o) => Math.abs(o.left - left) < WIDTH && Math.abs(o.top - t) < HEIGHT),
      )
    if (top === undefined) return []
    taken.push({ left, top })
    return [
      {
        move,
        left,
        top,
        text: `${moveName(move.kind)}${depthOf(move)}, ${lengthInWords('bars', move.bars)}`,
      },
    ]
  })
})
</script>

<template>
  <RowButton
    v-for="l in labels"
    :key="`${l.move.kind}${l.move.start}`"
    class="label"
    :class="control.family"
    :style="{ left: `${l.left}px`, top: `${l.top}px`, width: `${WIDTH}px` }"
    :tip="t('moves.remark')"
    data-test="move-label"
    @pointerdown.stop
    @click.stop="emit('take', l.move)"
  >
    {{ l.text }}
  </RowButton>
</template>

<style scoped>
.label {
  position: absolute;
  z-index: 2;
  overflow: hidden;
  padding: 0 4px;
  border: 0;
  border-radius: 6px;
  background: color-mix(in srgb, var(--sheet) 82%, transparent);
  color: var(--family-volume);
  font: inherit;
  font-size: 13px;
  font-weight: 640;
  line-height: 20px;
  white-space: nowrap;
  text-overflow: ellipsis;
  cursor: pointer;
}

.label.pan {
  color: var(--family-pan);
}

.label.send {
  color: var(--family-send);
}

.label.effect {
  color: var(--family-effect);
}

.label.switch {
  color: var(--family-switch);
}

.label:hover {
  text-decoration: underline;
}
</style>
