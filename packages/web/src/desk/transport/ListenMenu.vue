<script setup lang="ts">
/** How one listens: count-in, clicks, both sides in one, the sound check. None of it changes the work. */
import { ref } from 'vue'
import { useListening } from '../../engine/listening-store'

const emit = defineEmits<{ check: [] }>()
const open = ref(false)
const listening = useListening()
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="top">
    <template #activator="{ props: menu }">
      <button
        v-bind="menu"
        class="chip dark"
        data-test="listen"
        aria-label="How you listen"
        title="How you listen"
      >
        <v-icon icon="$listen" size="20" />
      </button>
    </template>
    <div class="sheet listen" role="group" aria-label="How you listen">
      <label
        ><input v-model="listening.countIn" type="checkbox" data-test="count-in" /> Count one bar before it
        plays</label
      >
      <label
        ><input v-model="listening.metronome" type="checkbox" data-test="metronome" /> Click on the
        beats</label
      >
      <label>
        <input v-model="listening.mono" type="checkbox" data-test="mono" /> In mono
        <span class="soft">both ears the same, as from a telephone</span>
      </label>
      <button class="chip" data-test="check-sound" @click="((open = false), emit('check'))">
        Check your sound …
      </button>
    </div>
  </v-menu>
</template>

<style scoped>
.listen {
  display: grid;
  gap: 4px;
  padding: 12px 18px;
}

label {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 34px;
}

input {
  width: 18px;
  height: 18px;
  accent-color: var(--ink);
}

.chip {
  justify-self: start;
  margin-top: 4px;
}
</style>
