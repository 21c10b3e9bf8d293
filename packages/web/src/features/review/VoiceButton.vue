<script setup lang="ts">
/** Speaks a remark: held down while somebody speaks, or pressed to begin and pressed to end. */
import { SPOKEN } from '@rudlo/contract/reviews'
import { computed } from 'vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import { useVoice } from './voice-store'

const emit = defineEmits<{ begin: [] }>()
const voice = useVoice()
/** Held for longer than this it ends when it is let go of, in ms. */
const HELD = 500
let pressed = 0

const left = computed(() => Math.ceil((SPOKEN.longest - (voice.speaking?.ms ?? 0)) / 1000))

function down(): void {
  if (voice.isSpeaking) return void voice.end()
  pressed = performance.now()
  emit('begin')
}

function up(): void {
  if (pressed && performance.now() - pressed > HELD) void voice.end()
  pressed = 0
}
</script>

<template>
  <AppButton
    small
    class="voice"
    :class="{ on: voice.isSpeaking }"
    :style="{ '--loudness': voice.speaking?.loudness ?? 0 }"
    :aria-pressed="voice.isSpeaking"
    :tip="t('voice.tip')"
    data-test="speak"
    @pointerdown="down"
    @pointerup="up"
    @pointerleave="up"
    @keydown.enter.prevent="down"
  >
    <v-icon icon="$speak" size="18" />{{ voice.isSpeaking ? t('voice.left', { left }) : t('voice.speak') }}
  </AppButton>
</template>

<style scoped>
.voice.on {
  background: color-mix(in srgb, var(--warm) calc(30% + 70% * var(--loudness)), var(--sheet));
}
</style>
