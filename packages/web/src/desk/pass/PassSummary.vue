<script setup lang="ts">
/** What a pass wrote: kept, taken back, or kept in part. */
import { counted } from '@rudlo/words'
import { ref, watch } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import { usePass, type PassLaneSummary } from './pass-store'
import AppButton from '../../ui/buttons/AppButton.vue'
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

function where(lane: PassLaneSummary): string {
  const bar = (tick: number) => desk.time!.meter.placeAt(tick).bar
  return lane.spans
    .map((s) => (bar(s.from) === bar(s.to) ? `bar ${bar(s.from)}` : `bars ${bar(s.from)} to ${bar(s.to)}`))
    .join(' and ')
}

function undo(): void {
  pass.summary = null
  work.undo()
}
</script>

<template>
  <div v-if="pass.summary" class="sheet strip" role="status" data-test="pass-summary">
    <b>{{ t('pass.wrote') }}</b>
    <label v-for="l in pass.summary.lanes" :key="l.address" class="lane" :class="{ stray: !l.inBrief }">
      <input v-model="kept" type="checkbox" :value="l.address" />
      <span
        >{{ l.name }}, {{ where(l) }}: {{ counted(l.points, 'points')
        }}<template v-if="l.overwritten">, over {{ l.overwritten }} that were there</template
        ><template v-if="!l.inBrief">{{ t('pass.stray') }}</template></span
      >
    </label>
    <span class="push" />
    <AppButton small data-test="pass-keep" @click="pass.keepOnly(new Set(kept))">
      {{ kept.length === pass.summary.lanes.length ? 'keep' : t('pass.keep-these') }}
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
    <b
      >From play to stop goes over {{ pass.asked }} {{ pass.asked === 1 ? 'move' : 'moves' }} that are
      there.</b
    >
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
