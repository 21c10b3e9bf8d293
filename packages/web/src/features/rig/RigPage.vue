<script setup lang="ts">
/** The practice rig in a window of its own, beside the bench. */
import { onMounted } from 'vue'
import RigPanel from '../../desk/surface/RigPanel.vue'
import { t } from '../../words/t'

onMounted(() => (document.title = `${t('rig.title')} · Rudlo`))
</script>

<template>
  <main>
    <h1 class="unseen">{{ t('rig.title') }}</h1>
    <RigPanel alone />
  </main>
</template>
