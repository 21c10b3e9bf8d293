<script setup lang="ts">
/** Sections across, tracks down: a dot for how loud each is in the mix. It is a table, so that it can be read aloud. */
import type { SectionBalance } from '@rudlo/core/heard'
import type { SongVersion } from '@rudlo/core/song'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import AppButton from '../ui/buttons/AppButton.vue'
import FigureTable from '../ui/tables/FigureTable.vue'
import { t } from '../words/t'

const props = defineProps<{
  song: SongVersion
  sections: readonly SectionBalance[]
  /** Sections of another mix: a ring around each dot says how loud the track is there. */
  beside?: readonly SectionBalance[] | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

/** Radius in px of a track that is as loud as the whole mix; one that is so many LU softer has a dot of no size. */
const LARGEST = 13
const SMALLEST_LU = -36

const radius = (lu: number) => Math.max(1.5, LARGEST * (1 - Math.min(0, lu) / SMALLEST_LU))
const bySection = (sections: readonly SectionBalance[] = []) => new Map(sections.map((s) => [s.section, s]))
const found = computed(() => bySection(props.sections))
const others = computed(() => bySection(props.beside))
/** Null for what is as good as silent there. */
function loudness(section: string, track: string, of = found.value): number | null {
  const lu = of.get(section)?.tracks[track] ?? null
  return lu === null || lu < SMALLEST_LU ? null : lu
}
</script>

<template>
  <FigureTable class="field" :label="t('heard.field')">
    <thead>
      <tr>
        <th scope="col"><span class="unseen">{{ t('heard.field.track') }}</span></th>
        <th v-for="s in song.sections" :key="s.id" scope="col">
          <AppButton
            small
            :aria-label="t('heard.field.go', { letter: s.letter })"
            @click="emit('go', s.tick)"
            >{{ s.letter }}</AppButton
          >
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="track in song.tracks" :key="track.id" :class="track.role">
        <th scope="row">{{ track.name }}</th>
        <td v-for="s in song.sections" :key="s.id">
          <template v-if="loudness(s.id, track.id) !== null">
            <svg width="28" height="28" viewBox="-14 -14 28 28" aria-hidden="true">
              <circle :r="radius(loudness(s.id, track.id)!)" />
              <circle
                v-if="loudness(s.id, track.id, others) !== null"
                class="other"
                :r="radius(loudness(s.id, track.id, others)!)"
              />
            </svg>
            <span class="figure">{{ signedText(loudness(s.id, track.id)!, 0) }}</span>
          </template>
          <span v-else class="soft">{{ t('heard.field.silent') }}</span>
        </td>
      </tr>
    </tbody>
  </FigureTable>
</template>

<style scoped>
.field :deep(th),
.field :deep(td) {
  padding: 1px var(--space-2);
  text-align: center;
  white-space: nowrap;
}

.field :deep(tbody th) {
  text-align: start;
  font-weight: 560;
}

td svg {
  vertical-align: middle;
}

circle {
  fill: var(--family-volume);
}

.lead circle,
.voice circle {
  fill: var(--warm);
}

.other,
.lead .other,
.voice .other {
  fill: none;
  stroke: var(--ink);
  stroke-dasharray: 2 2;
  stroke-width: 1.5;
}

.figure,
.soft {
  font-size: var(--text-1);
}
</style>
