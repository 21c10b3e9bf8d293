<script setup lang="ts">
/** The third view of the work: what is heard of the task at hand, as pictures with what they say. */
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import { useHeard } from './heard-store'
import PictureCard from './PictureCard.vue'

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const heard = useHeard()

const choices = computed(() => [
  { value: '', text: t('heard.beside.nothing') },
  ...heard.choices.map(({ key, name }) => ({ value: key, text: name })),
])
</script>

<template>
  <section class="sheet heard" :aria-label="t('heard.view')" data-test="heard-view">
    <p v-if="!heard.allowed" class="soft">{{ t('heard.later') }}</p>
    <p v-else-if="heard.problem" role="alert">{{ heard.problem }}</p>
    <template v-else>
      <SelectField
        v-if="heard.shown.length"
        class="beside"
        :label="t('heard.beside')"
        :model-value="heard.compared ?? ''"
        :choices="choices"
        data-test="beside"
        @update:model-value="(key) => (heard.compared = key || null)"
      />
      <PictureCard
        v-for="({ picture, beside }, i) in heard.shown"
        :key="i"
        :picture="picture"
        :beside="beside"
        :song="desk.song!"
        :mix="work.mix!"
        :position="() => player.position"
        :band="heard.band"
        :within="desk.task"
        @go="player.seek"
      />
      <p v-if="!heard.shown.length" class="soft none">{{ heard.busy ? t('heard.busy') : t('heard.none') }}</p>
    </template>
  </section>
</template>

<style scoped>
.heard {
  position: relative;
  display: grid;
  flex: 1;
  gap: var(--space-5);
  align-content: start;
  min-height: 0;
  padding: var(--space-4);
  overflow-y: auto;
}

.beside {
  position: absolute;
  top: var(--space-3);
  right: var(--space-4);
  width: 220px;
}

.heard > :deep(.picture-card:first-of-type header) {
  padding-right: 240px;
}
</style>
