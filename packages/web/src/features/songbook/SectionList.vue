<script setup lang="ts">
/** Sections of a song by their bars: dragged on the song's strip, typed, set at the play position, or proposed from what is heard. */
import { ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'

const store = useSong()
const player = usePlayer()
const bar = ref('')

function rename(index: number, name: string): void {
  store.setSections(store.bars.map((b, i) => (i === index ? { ...b, name } : b)))
}

const drop = (index: number) => store.setSections(store.bars.filter((_, i) => i !== index))

function add(at: number): void {
  if (Number.isInteger(at) && at > 0) store.setSections([...store.bars, { bar: at, name: '' }])
  bar.value = ''
}
const here = () => store.time!.meter.placeAt(player.position).bar
</script>

<template>
  <PageSection :title="t('song.sections')" :about="t('song.sections.about')">
    <template #acts>
      <AppButton
        small
        :disabled="store.listening !== ''"
        data-test="find-sections"
        @click="store.findSections()"
        >{{ t('song.sections.find') }}</AppButton
      >
    </template>
    <div v-for="(s, i) in store.bars" :key="s.id" class="row" data-test="section">
      <b class="letter">{{ s.letter }}</b>
      <span class="at">{{ t('song.section.at', { bar: s.bar }) }}</span>
      <TextField
        class="name"
        bare
        :model-value="s.name"
        maxlength="60"
        :placeholder="t('song.section.name')"
        :label="t('song.section.name-of', { letter: s.letter })"
        @change="rename(i, ($event.target as HTMLInputElement).value.trim())"
        @keydown.stop
      />
      <IconButton
        v-if="i"
        icon="remove"
        :label="t('song.section.remove', { letter: s.letter })"
        @click="drop(i)"
      />
    </div>
    <form class="row" @submit.prevent="add(Number(bar))">
      <TextField
        v-model="bar"
        class="from"
        compact
        :label="t('song.section.from')"
        inputmode="numeric"
        data-test="section-bar"
        @keydown.stop
      />
      <AppButton small type="submit">{{ t('song.section.add') }}</AppButton>
      <AppButton
        v-if="player.loop"
        small
        data-test="section-dragged"
        @click="store.addSection(player.loop.from, player.loop.to)"
        >{{ t('song.section.dragged') }}</AppButton
      >
      <AppButton small @click="add(here())">{{ t('song.section.here', { bar: here() }) }}</AppButton>
    </form>
  </PageSection>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}

.letter {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 1.5px solid var(--ink);
}

.at {
  width: 62px;
}

.name {
  flex: 1;
}

.from {
  flex: 0 1 200px;
}
</style>
