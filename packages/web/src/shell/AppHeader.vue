<script setup lang="ts">
/** The bar at the top of every page: where one can go, where one is, what can be done there, and the account. */
import { computed } from 'vue'
import { away } from '../api/away'
import { useSession } from '../api/session-store'
import IconButton from '../ui/buttons/IconButton.vue'
import AppTag from '../ui/marks/AppTag.vue'
import RudloMark from '../ui/marks/RudloMark.vue'
import AppMenu from '../ui/overlays/AppMenu.vue'
import { t } from '../words/t'
import AccountMenu from './AccountMenu.vue'
import AppButton from '../ui/buttons/AppButton.vue'

defineProps<{
  /** What it belongs to. */
  before?: string | undefined
  /** What is open. */
  title?: string | undefined
  /** The places to go lie in a menu: a desk needs the room. */
  compact?: boolean
}>()

const session = useSession()
const rooms = computed(() =>
  session.person?.role === 'teacher' && !session.person.isOut
    ? [
        { to: '/', text: t('shell.today'), test: 'to-today' },
        { to: '/class', text: t('shell.class'), test: 'groups' },
        { to: '/assignments', text: t('shell.assignments'), test: 'to-assignments' },
        { to: '/songs', text: t('shell.songbook'), test: 'songbook' },
      ]
    : [
        { to: '/', text: t('shell.assignments'), test: 'to-assignments' },
        ...(session.person?.role === 'student'
          ? [{ to: '/progress', text: t('shell.progress'), test: 'to-progress' }]
          : []),
      ],
)
</script>

<template>
  <header class="app-header">
    <router-link to="/" class="home" :class="{ short: away }" :aria-label="t('shell.home')"
      ><RudloMark
    /></router-link>
    <AppMenu v-if="compact" :label="t('shell.rooms')">
      <template #opener="{ opener }"
        ><IconButton v-bind="opener" icon="menu" :label="t('shell.rooms')" data-test="rooms"
      /></template>
      <v-list-item
        v-for="r in rooms"
        :key="r.to"
        :to="r.to"
        :title="r.text"
        :data-test="r.test"
        role="menuitem"
      />
    </AppMenu>
    <nav v-else :aria-label="t('shell.rooms')">
      <AppButton
        v-for="r in rooms"
        :key="r.to"
        tone="quiet"
        class="room"
        :to="r.to"
        :data-test="r.test"
        :active="r.to === '/' ? $route.path === '/' : $route.path.startsWith(r.to.replace(/s$/, ''))"
        >{{ r.text }}</AppButton
      >
    </nav>
    <p v-if="title" class="where">
      <span v-if="before" class="soft">{{ before }} /</span>
      <b>{{ title }}</b>
    </p>
    <span class="push" />
    <AppTag
      v-if="away"
      class="offline"
      icon="offline"
      :text="t('shell.offline')"
      :aria-label="t('shell.offline')"
      role="status"
      tabindex="0"
      :data-tip="session.person?.role === 'student' ? t('shell.offline.student') : t('shell.offline.teacher')"
      data-test="offline"
    />
    <slot />
    <AccountMenu />
  </header>
</template>

<style scoped>
.app-header {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  height: 54px;
  padding: 0 var(--space-4);
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}

.home {
  display: flex;
  flex: none;
  align-items: center;
  min-height: var(--target);
  color: inherit;
  text-decoration: none;
}

nav {
  display: flex;
  gap: 2px;
}

.room {
  min-width: 0;
  padding-inline: var(--space-3);
  font-size: var(--text-2);
}

.room:is(.v-btn--active) {
  background: var(--wash);
}

.where {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.where b {
  margin-left: 6px;
  font-weight: 640;
}

.offline {
  flex: none;
}

.push {
  flex: 1;
}

@media (max-width: 1240px) {
  .app-header {
    gap: 6px;
  }

  .where .soft {
    display: none;
  }
}

@media (max-width: 600px) {
  .app-header {
    padding: 0 var(--space-2);
  }

  /* there is room for the sign of being offline, without its word, beside the mark without its name */
  .home.short {
    width: 34px;
    overflow: hidden;
  }

  .offline {
    padding-inline: 6px;
  }

  .offline :deep(.v-chip__content) {
    display: none;
  }

  .offline :deep(.v-chip__prepend) {
    margin: 0;
  }

  /* the page says what it is itself */
  .where {
    display: none;
  }
}
</style>
