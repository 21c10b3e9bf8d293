<script setup lang="ts">
/** How one listens: count-in, clicks, both sides in one, the sound check. None of it changes the work. */
import { ref } from 'vue'
import { useListening } from '../../engine/listening-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const emit = defineEmits<{ check: [] }>()
const open = ref(false)
const listening = useListening()
</script>

<template>
  <v-menu v-model="open" :close-on-content-click="false" location="top">
    <template #activator="{ props: menu }">
      <AppButton small tone="desk"
        v-bind="menu"
       
        data-test="listen"
        :aria-label="t('listen.title')"
        :tip="t('listen.title')"
      >
        <v-icon icon="$listen" size="20" />
      </AppButton>
    </template>
    <div class="sheet listen" role="group" :aria-label="t('listen.title')">
      <label
        ><input v-model="listening.countIn" type="checkbox" data-test="count-in" /> {{ t('listen.count-in') }}</label
      >
      <label
        ><input v-model="listening.metronome" type="checkbox" data-test="metronome" /> {{ t('listen.click') }}</label
      >
      <label>
        <input v-model="listening.mono" type="checkbox" data-test="mono" /> {{ t('listen.mono') }}
        <span class="soft">{{ t('listen.mono.about') }}</span>
      </label>
      <AppButton small data-test="check-sound" @click="((open = false), emit('check'))">
        {{ t('listen.check') }}
      </AppButton>
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
