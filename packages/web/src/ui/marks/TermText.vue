<script setup lang="ts">
/**
 * A text whose trade words are explained where they first stand: a dotted line under a word, and a sentence from the glossary for
 * whoever rests on it, comes to it by keys, or holds a finger there.
 */
import { computed } from 'vue'
import { t } from '../../words/t'
import { explained } from './terms'

const props = defineProps<{ text: string }>()

const NAMES = [
  'true-peak',
  'dbtp',
  'lufs',
  'lu',
  'range',
  'dry',
  'wet',
  'pan',
  'return',
  'send',
  'lane',
] as const
type Name = (typeof NAMES)[number]
const terms = NAMES.map((name) => ({ name, word: t(`term.${name}`) }))
const pieces = computed(() => explained(props.text, terms))
const says = (term: string) => t(`term.${term as Name}.says`)
</script>

<template>
  <span
    ><template v-for="(piece, i) in pieces" :key="i"
      ><dfn v-if="piece.term" class="term" tabindex="0" :data-tip="says(piece.term)">{{ piece.text }}</dfn
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
