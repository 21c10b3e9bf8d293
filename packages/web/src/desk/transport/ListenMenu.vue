<script setup lang="ts">
/** How one listens: count-in, clicks, both sides in one, the sound check. None of it changes the work. */
import { ref } from 'vue'
import { useListening } from '../../engine/listening-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import { t } from '../../words/t'

const emit = defineEmits<{ check: [] }>()
const open = ref(false)
const listening = useListening()
</script>

<template>
  <AppMenu v-model="open" location="top" stays :label="t('listen.title')">
    <template #opener="{ opener: menu }">
      <AppButton
        small
        tone="desk"
        v-bind="menu"
        data-test="listen"
        :aria-label="t('listen.title')"
        :tip="t('listen.title')"
      >
        <v-icon icon="$listen" size="20" />
      </AppButton>
    </template>
    <div class="listen">
      <CheckField v-model="listening.countIn" :label="t('listen.count-in')" data-test="count-in" />
      <CheckField v-model="listening.metronome" :label="t('listen.click')" data-test="metronome" />
      <CheckField
        v-model="listening.mono"
        :label="t('listen.mono')"
        :hint="t('listen.mono.about')"
        data-test="mono"
      />
      <AppButton small data-test="check-sound" @click="((open = false), emit('check'))">
        {{ t('listen.check') }}
      </AppButton>
    </div>
  </AppMenu>
</template>

<style scoped>
.listen {
  display: grid;
  gap: var(--space-2);
  justify-items: start;
}
</style>
