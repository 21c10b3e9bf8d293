<script setup lang="ts">
/** The keys, in the order in which they are needed. */
import { t } from '../../words/t'
import AppDialog from '../overlays/AppDialog.vue'
import type { ShortcutGroup } from './shortcuts'

const open = defineModel<boolean>({ required: true })

defineProps<{ groups: readonly ShortcutGroup[] }>()
</script>

<template>
  <AppDialog v-model="open" :title="t('ui.keys')" :width="1080">
    <div class="groups">
      <section v-for="group in groups" :key="group.title">
        <h3>{{ group.title }}</h3>
        <dl>
          <template v-for="k in group.keys" :key="k.shown">
            <dt>{{ k.shown }}</dt>
            <dd>{{ k.what }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </AppDialog>
</template>

<style scoped>
.groups {
  columns: 3 270px;
  column-gap: var(--space-8);
}

section {
  margin-bottom: var(--space-4);
  break-inside: avoid;
}

h3 {
  margin-bottom: var(--space-1);
  font-size: var(--text-3);
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 5px var(--space-3);
  align-items: center;
  margin: 0;
}

dt {
  padding: 1px var(--space-2);
  border: 1px solid var(--rule);
  border-radius: var(--radius-s);
  background: var(--wash);
  font-size: var(--text-1);
  font-weight: 620;
  white-space: nowrap;
}

dd {
  margin: 0;
}
</style>
