<script setup lang="ts">
import AccountMenu from './AccountMenu.vue'
import RudloMark from '../ui/RudloMark.vue'

defineProps<{ before?: string | undefined; title?: string | undefined }>()
</script>

<template>
  <header class="app-header">
    <router-link to="/" class="home" aria-label="Rudlo, to the first page"><RudloMark /></router-link>
    <p v-if="title" class="where">
      <span v-if="before" class="soft">{{ before }} /</span>
      <b>{{ title }}</b>
    </p>
    <span class="push" />
    <slot />
    <AccountMenu />
  </header>
</template>

<style scoped>
.app-header {
  display: flex;
  align-items: center;
  gap: 14px;
  height: 54px;
  padding: 0 14px 0 18px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}

.home {
  color: inherit;
  text-decoration: none;
}

.where {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.where b {
  margin-left: 6px;
  font-weight: 640;
}

.push {
  flex: 1;
}

.app-header :deep(.chip) {
  flex: none;
  white-space: nowrap;
}

@media (max-width: 1240px) {
  .app-header {
    gap: 6px;
  }

  .where .soft {
    display: none;
  }
}
</style>
