<script setup lang="ts">
/** Listens to a track or return alone; with Shift to this one only. Belongs to the session. */
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'

const props = defineProps<{ kind: 'tracks' | 'returns'; of: string; name: string }>()

const player = usePlayer()
const on = computed(() => player.solo[props.kind].includes(props.of))
</script>

<template>
  <button
    class="chip"
    :aria-pressed="on"
    :aria-label="`solo ${name}: listen to it alone`"
    title="Listen to it alone (with Shift: to this one only)"
    @click="player.toggleSolo(kind, of, $event.shiftKey)"
  >
    solo
  </button>
</template>

<style scoped>
.chip {
  padding: 2px 9px;
  font-size: 13px;
}

.chip[aria-pressed='true'] {
  border-color: var(--close);
  background: var(--close);
  color: var(--sheet);
}
</style>
