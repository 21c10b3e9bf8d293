<script setup lang="ts">
/** Beside a lane on the desk: what it moves and where it is, the fields of a point, what can be done with the whole line. */
import { computed } from 'vue'
import { usePass } from '../pass/pass-store'
import SpreadPicture from '../../editor/lane/SpreadPicture.vue'
import type { Kin } from '../../editor/lane/lane-sign'
import LaneHead from '../../editor/lane/LaneHead.vue'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { useTrying } from '../remarks/trying'
import ControlSlider from '../mixer/ControlSlider.vue'
import LaneChooser from './LaneChooser.vue'
import LaneCorner from './LaneCorner.vue'
import LaneSwitches from './LaneSwitches.vue'
import type { useRegionMoves } from './region-moves'
import type { Lane } from './use-lane'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  address: string
  lane: Lane
  /** Which lane of its family on the desk it is. */
  kin: Kin
  moves: ReturnType<typeof useRegionMoves>
  /** Whether it is the lane that is worked on, and whether other lanes share the desk. */
  active: boolean
  compact: boolean
  /** Whether values are looked at closely. */
  tall: boolean
}>()
const emit = defineEmits<{ allValues: [] }>()
/** Whether the version that was handed in last lies dotted underneath. */
const before = defineModel<boolean>('before', { required: true })

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const pass = usePass()
const trying = useTrying()
const { control, points, editor, locked } = props.lane

function typedValue(value: number, clamped: boolean): void {
  const p = editor.current.value
  if (!p) return
  editor.moveSelected(p.tick, value)
  if (clamped) work.notice = t('lane.beyond', { value: control.value.unit.format(value) })
}

function copyValue(): void {
  const p = editor.current.value
  if (p) desk.copiedValue = { value: p.value, control: control.value }
}

function copyForm(): void {
  const p = editor.current.value
  if (p) desk.copiedForm = { form: p.form, bend: p.bend }
}

/** How far a point that is set reaches. */
const SPREADS = (['near', 'on', 'beside'] as const).map((value) => ({
  value,
  text: t(`lane.spread.${value}`),
  tip: t(`lane.spread.${value}.tip`),
  test: `spread-${value}`,
}))
/** How it is done is said until something was done; for the ways of working that change nothing by a press, always. */
const needsHelp = computed(() => desk.hand !== 'points' || !work.history.done.length)

/** What a beginner does first, for each way of working. */
const HELP = {
  bars: () => t('lane.how.bars'),
  freehand: () => t('lane.how.freehand'),
  cells: () => t('lane.how.cells', { cell: desk.cellName }),
  points: () => (points.value.length ? t('lane.how.points') : t('lane.how.first')),
}
</script>

<template>
  <LaneHead
    :name="lane.owner.value"
    :control="control"
    :kin="kin"
    :meter="desk.time!.meter"
    :value="() => lane.shown.value"
    :where="lane.where"
    :note="lane.words"
    :compact="compact"
    :point="editor.current.value"
    :count="editor.count.value"
    :rests="lane.rests.value"
    copies
    :copied-form="desk.copiedForm"
    :has-next="editor.selected.value + 1 < points.length"
    :editable="!locked"
    @value="typedValue"
    @place="(tick: number) => editor.moveSelected(tick, editor.current.value!.value)"
    @form="editor.setSelectedForm"
    @give="editor.giveValue"
    @copy="copyValue"
    @copy-form="copyForm"
    @remove="editor.removeSelected"
    @nonsense="(sentence: string) => (work.notice = sentence)"
  >
    <template #corner><LaneCorner :address="address" :folded="false" /></template>
    <template #control><LaneChooser :address="address" /></template>
    <!-- what is drawn can be ridden in sight of its line -->
    <template v-if="(!compact || (active && desk.lanes.length < 3)) && !locked" #ride>
      <ControlSlider
        v-if="control.scale.kind !== 'switch' && control.family !== 'tempo'"
        class="ride"
        :address="address"
        :label="lane.spokenName.value"
      />
    </template>
    <p v-if="locked || (!compact && needsHelp)" class="soft help">
      <template v-if="locked">
        <v-icon icon="$locked" size="16" :title="locked" />
        <template v-if="!compact">{{ locked }}</template>
        <AppButton
          v-if="!work.elsewhere && !pass.writing.length"
          small
          class="open"
          data-test="open-lane"
          @click="desk.setOpen(address, true)"
        >
          {{ t('lane.unlock') }}
        </AppButton>
      </template>
      <template v-else>{{ HELP[desk.hand]() }}</template>
    </p>
    <div v-if="!locked && !compact && desk.hand === 'points'" class="spread">
      <span class="soft">{{ t('lane.spread') }}</span>
      <ChoiceButtons v-model="desk.pointSpread" :label="t('lane.spread')" :choices="SPREADS">
        <template #default="{ choice }">
          <SpreadPicture :spread="choice.value" /><span class="unseen">{{ choice.text }}</span>
        </template>
      </ChoiceButtons>
    </div>
    <LaneSwitches
      v-if="!locked"
      :address="address"
      :owner="lane.owner.value"
      :track="lane.track.value?.id ?? null"
      :moves="moves"
      :tall="tall"
      @stamp="(as) => editor.stampHere(player.position, as)"
      @all-values="emit('allValues')"
    />
    <p v-if="desk.hinted?.lane === address && !compact" class="before">
      <i aria-hidden="true" /> {{ trying.heard ? t('lane.faint.suggestion') : t('lane.faint.hint') }}
    </p>
    <CheckField
      v-else-if="desk.newest && !compact"
      v-model="before"
      class="before"
      :label="t('lane.faint.version', { number: desk.newest.number })"
    />
  </LaneHead>
</template>

<style scoped>
.help {
  margin-top: 4px;
  font-size: 14px;
}

.compact .help {
  margin-top: 2px;
}

.spread {
  display: flex;
  gap: 6px;
  align-items: center;
  margin-top: 2px;
  font-size: 14px;
}

.spread :deep(.choice) {
  min-height: 30px;
  padding: 0 3px;
}

.open {
  margin-top: 6px;
}

.before {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 26px;
  margin-top: auto;
  font-size: 14px;
}

.before i {
  width: 26px;
  border-top: 2px dotted var(--ink);
}

@media (pointer: coarse) {
  .spread {
    flex-wrap: wrap;
  }

  .spread :deep(.choice) {
    min-height: var(--target);
  }
}

/* on a low screen the work comes first */
@media (max-height: 700px) {
  .help:not(:has(button)) {
    display: none;
  }
}
</style>
