<script setup lang="ts">
/** Text that a teacher wrote, with paragraphs, lists and emphasis. */
import { computed } from 'vue'
import { richText } from './rich-text'

const props = defineProps<{ text: string }>()
const html = computed(() => richText(props.text))
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- made by richText, which lets no tag of the text through -->
  <div class="rich" v-html="html" />
</template>

<style scoped>
.rich {
  display: grid;
  gap: 8px;
}

.rich :deep(ul),
.rich :deep(ol) {
  margin: 0;
  padding-left: 20px;
}
</style>
