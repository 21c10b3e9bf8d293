<script setup lang="ts">
/** Whole alternatives of the work that were kept; going on from one is a step that can be undone. */
import { whenText } from '../shell/dates'
import { useWork } from '../work/work-store'

const work = useWork()
</script>

<template>
  <v-menu v-if="work.tries.length">
    <template #activator="{ props: menu }">
      <button v-bind="menu" class="chip" data-test="tries">
        {{ work.tries.length }} {{ work.tries.length === 1 ? 'try' : 'tries'
        }}<v-icon icon="$choose" size="18" />
      </button>
    </template>
    <ul class="sheet list">
      <li v-for="t in work.tries" :key="t.id">
        <span>
          <b>{{ t.name }}</b>
          <br /><span class="soft">kept {{ whenText(t.createdAt) }}</span>
        </span>
        <v-btn size="small" @click="work.replace(t.document, `Went on from the try “${t.name}”`)"
          >Go on from this</v-btn
        >
      </li>
    </ul>
  </v-menu>
</template>

<style scoped>
.list {
  margin: 4px 0 0;
  padding: 6px 16px;
  list-style: none;
}

li {
  display: flex;
  gap: 24px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
}
</style>
