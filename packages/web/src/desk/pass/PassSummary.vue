<script setup lang="ts">
/** What a pass wrote: kept, taken back, or kept in part. */
import { counted } from '@rudlo/words'
import { ref, watch } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import { barsOf } from '../transport/loop-text'
import { usePass, type PassLaneSummary } from './pass-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import { t } from '../../words/t'

const pass = usePass()
const desk = useDesk()
const work = useWork()
const kept = ref<string[]>([])

watch(
  () => pass.summary,
  (made) => (kept.value = made?.lanes.map((l) => l.address) ?? []),
  { immediate: true },
)

/** What was written on a lane: where, how many points, and what it replaced. */
function said(lane: PassLaneSummary): string {
  const where = lane.spans.map((span) => barsOf(span, desk.time!.meter)).join(', ')
  const written = { lane: lane.name, where, points: counted(lane.points, 'points') }
  const sentence = lane.overwritten
    ? t('pass.lane.over', { ...written, n: lane.overwritten })
    : t('pass.lane', written)
  return lane.inBrief ? sentence : sentence + t('pass.stray')
}

function undo(): void {
  pass.summary = null
  work.undo()
}
</script>

<template>
  <div v-if="pass.summary" class="sheet strip" role="status" data-test="pass-summary">
    <b>{{ t('pass.wrote') }}</b>
    <CheckField
      v-for="l in pass.summary.lanes"
      :key="l.address"
      class="lane"
      :class="{ stray: !l.inBrief }"
      :model-value="kept.includes(l.address)"
      :label="said(l)"
      @update:model-value="(on) => (kept = on ? [...kept, l.address] : kept.filter((k) => k !== l.address))"
    />
    <span class="push" />
    <AppButton small data-test="pass-keep" @click="pass.keepOnly(new Set(kept))">
      {{ kept.length === pass.summary.lanes.length ? t('pass.keep') : t('pass.keep-these') }}
    </AppButton>
    <AppButton small data-test="pass-undo" @click="undo">{{ t('pass.undo') }}</AppButton>
  </div>
  <div
    v-if="pass.asked !== null"
    class="sheet strip"
    role="alertdialog"
    :aria-label="t('pass.over.label')"
    data-test="pass-asked"
  >
    <b>{{ t('pass.over', { n: pass.asked }) }}</b>
    <span class="push" />
    <AppButton small data-test="pass-yes" @click="pass.answer(true)">{{ t('pass.over.yes') }}</AppButton>
    <AppButton small @click="pass.answer(false)">{{ t('pass.over.no') }}</AppButton>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 8px 14px;
  border-color: var(--warm);
  font-size: 14px;
}

.lane {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}

.stray {
  color: var(--warm);
  font-weight: 620;
}

.push {
  flex: 1;
}
</style>
