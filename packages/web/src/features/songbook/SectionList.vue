<script setup lang="ts">
/** Sections of a song by their bars: dragged on the song's strip, typed, set at the play position, or proposed from what is heard. */
import { ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'

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
  <section class="sheet block form" aria-label="Sections">
    <header>
      <h2>Sections</h2>
      <AppButton small
       
        :disabled="store.listening !== ''"
        data-test="find-sections"
        @click="store.findSections()"
      >
        Listen for them
      </AppButton>
    </header>
    <p class="soft">Drag over bars of the song above, and make a section of them.</p>
    <div v-for="(s, i) in store.bars" :key="s.id" class="row" data-test="section">
      <b class="letter">{{ s.letter }}</b>
      <span class="at">bar {{ s.bar }}</span>
      <input
        :value="s.name"
        maxlength="60"
        placeholder="Name"
        :aria-label="`Name of section ${s.letter}`"
        @change="rename(i, ($event.target as HTMLInputElement).value.trim())"
      />
      <AppButton small v-if="i" :aria-label="`Take section ${s.letter} out`" @click="drop(i)">
        <v-icon icon="$remove" size="16" />
      </AppButton>
    </div>
    <form class="row" @submit.prevent="add(Number(bar))">
      <label
        >A section from bar <input v-model="bar" size="4" inputmode="numeric" data-test="section-bar"
      /></label>
      <AppButton small>Add</AppButton>
      <AppButton small
        v-if="player.loop"
       
        type="button"
        data-test="section-dragged"
        @click="store.addSection(player.loop.from, player.loop.to)"
      >
        From the bars that you dragged
      </AppButton>
      <AppButton small type="button" @click="add(here())">At bar {{ here() }}, where it plays</AppButton>
    </form>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 8px;
  padding: 16px 20px;
}

header,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

header {
  justify-content: space-between;
}

h2 {
  font-size: 18px;
}

.letter {
  display: grid;
  place-items: center;
  width: 26px;
  height: 26px;
  border: 1.5px solid var(--ink);
}

.at {
  width: 66px;
}
</style>
