<script setup lang="ts">
/** Listens to a track or return alone; with Shift to this one only. Belongs to the session. */
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ kind: 'tracks' | 'returns'; of: string; name: string }>()

const player = usePlayer()
const on = computed(() => player.solo[props.kind].includes(props.of))
</script>

<template>
  <AppButton
    small
    :aria-pressed="on"
    :aria-label="t('balance.solo.label', { name })"
    :tip="t('balance.solo.tip')"
    @click="player.toggleSolo(kind, of, $event.shiftKey)"
  >
    {{ t('balance.solo') }}
  </AppButton>
</template>

<style scoped src="./short-button.css"></style>

<style scoped>
.button[aria-pressed='true'] {
  border-color: var(--close);
  background: var(--close);
  color: var(--sheet);
}
</style>
