<script setup lang="ts">
/** One hand-in of the round: its picture, what is said of it, and its mark by the criterion. */
import type { Verdict } from '@rudlo/core/evidence'
import type { Picture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import type { Shown } from '../../charts/picture'
import StillPicture from '../../charts/StillPicture.vue'
import VerdictSign from '../../desk/guide/VerdictSign.vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

defineProps<{
  name: string
  verdict: Verdict | null
  picture: Picture | null
  said: string
  levels: readonly string[]
  mark: number | undefined
  time: SongTime
  band: readonly [low: number, high: number]
  /** The bars that all pictures show. */
  shown: Shown | undefined
  /** Whether it is heard now. */
  on: boolean
  /** Name of the criterion. */
  criterion: string
}>()
const emit = defineEmits<{ hear: []; mark: [level: number] }>()
</script>

<template>
  <li :class="{ on }" :aria-current="on" data-test="round-row">
    <RowButton class="hear" :tip="t('round.hear')" @click="emit('hear')">
      <span class="who"><VerdictSign :verdict="verdict" /><b>{{ name }}</b></span>
      <StillPicture
        v-if="picture"
        class="picture"
        bare
        :picture="picture"
        :time="time"
        :band="band"
        :shown="shown"
        :label="said"
      />
      <span v-else class="soft picture">{{ t('round.no-picture') }}</span>
      <span class="soft said">{{ said }}</span>
    </RowButton>
    <ChoiceButtons
      :label="t('round.mark', { criterion, name })"
      :choices="levels.map((text, i) => ({ value: i, text }))"
      :model-value="mark ?? -1"
      @update:model-value="(level) => emit('mark', level)"
    />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: var(--space-3);
  align-items: center;
  padding: var(--space-2) var(--space-3);
  border-left: 4px solid transparent;
  border-radius: var(--radius);
  contain-intrinsic-size: auto 92px;
  content-visibility: auto;
}

.on {
  border-left-color: var(--warm);
  background: var(--sheet);
}

.hear {
  display: grid;
  grid-template-columns: 150px minmax(120px, 1fr) minmax(160px, 1.2fr);
  gap: var(--space-3);
  align-items: center;
  width: 100%;
}

.who {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.picture {
  height: 64px;
  color: var(--family-volume);
}

.said {
  display: -webkit-box;
  overflow: hidden;
  font-size: var(--text-1);
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
}
</style>
