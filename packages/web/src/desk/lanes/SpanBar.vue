<script setup lang="ts">
/** What can be done with the bars that are selected, each as one step. It stands below the lanes and hides nothing. */
import {
  convertPoints,
  copySpan,
  pasteAt,
  raiseOf,
  raiseUnit,
  READY_MOVES,
  shiftSpan,
  suits,
  switchSpan,
} from '@rudlo/core/envelope'
import { laneName } from '@rudlo/core/assess'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import CrossingMenu from './CrossingMenu.vue'
import { useReadyMoves } from './made-move'
import MotifMenu from './MotifMenu.vue'
import MoveWishes from './MoveWishes.vue'
import MovePicture from './MovePicture.vue'
import ShapeBar from './ShapeBar.vue'
import SpanMore from './SpanMore.vue'
import SpanSelect from './SpanSelect.vue'
import { useShape } from './shape-store'
import { useSpanActions } from './span-actions'
import AppButton from '../../ui/buttons/AppButton.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import ToolBar from '../../ui/bars/ToolBar.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const shape = useShape()
const { where, here, act, inWords } = useSpanActions()

const control = computed(() => here.value!.control)
const isSwitch = computed(() => control.value.scale.kind === 'switch')
const moves = computed(() => READY_MOVES.filter((m) => suits(m, control.value)))
const span = computed(() => desk.selection!)
/** How far one press raises or lowers, in the lane's own unit. */
const tools = useTemplateRef<InstanceType<typeof ToolBar>>('tools')
const amount = ref<number | null>(1)
const unit = computed(() => raiseUnit(control.value))
watch(unit, (now) => (amount.value = now === 'dB' ? 1 : 5), { immediate: true })
const shift = (sign: 1 | -1) =>
  act(sign > 0 ? t('bars.did.raised') : t('bars.did.lowered'), ({ points, control: of }) =>
    shiftSpan(points, of.scale, span.value, raiseOf(of, sign * (amount.value ?? 1)), desk.edge(span.value)),
  )

const ready = useReadyMoves()
const turn = (on: boolean) =>
  act(t('bars.did.set', { value: control.value.unit.format(Number(on)) }), ({ points, control: { scale } }) =>
    switchSpan(points, scale, span.value, on),
  )

function copy(): void {
  const { points, control: from } = here.value!
  desk.copied = {
    points: copySpan(points, from.scale, span.value),
    length: span.value.to - span.value.from,
    control: from,
  }
  work.notice = t('bars.copied', { where: where.value })
}

/** Puts what was copied at the play position; what means nothing for this lane is refused, with the reason. */
function paste(): void {
  const { copied } = desk
  if (!copied) return
  const converted = convertPoints(copied.points, copied.control, control.value)
  if ('refused' in converted) return void (work.notice = converted.refused)
  const at = Math.round(player.position)
  const paste = act(
    t('bars.did.pasted'),
    ({ points, control: { scale } }) =>
      pasteAt(points, scale, converted.points, copied.length, at, 'returns'),
    at,
    at + copied.length,
  )
  if (paste && converted.note) work.notice = converted.note
}

/** One track out as another comes in: where there are two of them, and this is how loud one is. */
const crosses = computed(() => /^track\/[^/]+\/level$/.test(desk.address) && desk.song!.tracks.length > 1)
const offered = computed(
  () => desk.offered && t('bars.of-task', { where: inWords(desk.offered).toLowerCase() }),
)

/** The first thing that is usually done with bars: keys go on from there. */
function focus(): void {
  const bar = tools.value?.$el as HTMLElement | undefined
  const first = moves.value[0] ? `move-${moves.value[0]}` : 'switch-on'
  bar?.querySelector<HTMLElement>(`[data-test="${first}"]`)?.focus()
}
defineExpose({ focus })
const name = computed(() => laneName(desk.song!, work.mix!, desk.address))
</script>

<template>
  <div v-if="!desk.selection" class="bar soft" data-test="span-bar-empty">
    <span>{{ t('bars.drag') }}</span>
    <AppButton v-if="desk.offered" small data-test="task-bars" @click="desk.select(desk.offered)">{{
      offered
    }}</AppButton>
    <SpanSelect :text="t('bars.choose')" />
  </div>
  <template v-else>
    <ShapeBar v-if="shape.open" :where="where" />
    <ToolBar
      v-else
      ref="tools"
      class="bar"
      :label="t('bars.what', { where: where.toLowerCase() })"
      data-test="span-bar"
    >
      <SpanSelect :text="where" />
      <template v-if="isSwitch">
        <AppButton small data-test="switch-on" @click="turn(true)">{{
          t('bars.on', { value: control.unit.format(1) })
        }}</AppButton>
        <AppButton small @click="turn(false)">{{
          t('bars.on', { value: control.unit.format(0) })
        }}</AppButton>
      </template>
      <template v-else>
        <span class="shift">
          <IconButton icon="lower" :label="t('bars.lower')" data-test="lower" @click="shift(-1)" />
          <NumberField
            v-model="amount"
            bare
            class="amount"
            :label="unit === 'dB' ? t('bars.by-db') : t('bars.by-percent')"
            :unit="unit"
            :min="0.1"
            :max="unit === 'dB' ? 24 : 100"
            :step="0.5"
            @keydown.stop
          />
          <IconButton icon="add" :label="t('bars.raise')" data-test="raise" @click="shift(1)" />
        </span>
        <AppButton v-for="m in moves" :key="m" small :data-test="`move-${m}`" @click="ready.make(m)">
          <MovePicture :move="m" />{{ t(`ready.${m}`) }}
        </AppButton>
        <CrossingMenu v-if="crosses" />
        <AppButton
          small
          :aria-pressed="shape.open"
          data-test="shapes"
          @click="shape.open ? shape.end() : shape.start()"
        >
          {{ t('bars.shapes') }}
        </AppButton>
      </template>
      <MoveWishes
        v-if="ready.last.value"
        :made="ready.last.value"
        @again="(wish, lead) => ready.again(wish, lead)"
      />
      <SpanMore />
      <MotifMenu :name="name" />
      <IconButton icon="copy" :label="t('bars.copy')" data-test="copy" @click="copy" />
      <IconButton
        icon="paste"
        :label="t('bars.paste')"
        :tip="t('bars.paste.tip')"
        :disabled="!desk.copied"
        data-test="paste"
        @click="paste"
      />
      <AppButton
        small
        :aria-label="t('bars.loop')"
        :tip="t('bars.loop.tip')"
        data-test="loop-span"
        @click="player.playLoop(span)"
      >
        <v-icon icon="$play" size="16" />
      </AppButton>
      <AppButton small :aria-label="t('bars.none')" @click="desk.selection = null">
        <v-icon icon="$close" size="16" />
      </AppButton>
      <CheckField
        v-if="desk.lanes.length > 1"
        v-model="desk.across"
        :label="t('bars.across')"
        data-test="across"
      />
    </ToolBar>
  </template>
</template>

<style scoped>
.bar {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 3px;
  align-items: center;
  min-height: 46px;
  padding: 5px var(--space-2);
  border-top: 1px solid var(--rule);
  font-size: var(--text-1);
}

.bar :deep(.small) {
  padding-inline: var(--space-2);
}

.shift {
  display: flex;
  align-items: center;
}

.amount {
  width: 92px;
}
</style>
