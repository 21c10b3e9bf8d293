<script setup lang="ts">
/** The practice rig in a window of its own, beside the bench. */
import { onMounted } from 'vue'
import RigPanel from '../../desk/surface/RigPanel.vue'

onMounted(() => (document.title = 'Practice rig · Rudlo'))
</script>

<template>
  <main>
    <h1 class="unseen">Practice rig</h1>
    <RigPanel alone />
  </main>
</template>
