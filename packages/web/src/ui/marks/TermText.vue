<script setup lang="ts">
/**
 * A text whose trade words are explained where they first stand: a dotted line under a word, and a sentence from the glossary for
 * whoever rests on it, comes to it by keys, or holds a finger there.
 */
import { computed } from 'vue'
import { glossary } from './glossary'
import { explained } from './terms'

const props = defineProps<{ text: string }>()
const pieces = computed(() => explained(props.text, glossary()))
</script>

<template>
  <span
    ><template v-for="(piece, i) in pieces" :key="i"
      ><dfn v-if="piece.says" class="term" tabindex="0" :data-tip="piece.says">{{ piece.text }}</dfn
      ><template v-else>{{ piece.text }}</template></template
    ></span
  >
</template>

<style scoped>
.term {
  border-bottom: 1.5px dotted currentcolor;
  font-style: normal;
  cursor: help;
}
</style>
