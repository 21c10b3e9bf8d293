<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useThemeChoice, type ThemeChoice } from '../ui/theme/theme-store'
import { useWork } from '../document/work-store'
import { OfflineCopy } from '../document/offline-copy'
import { ReviewDrafts } from '../document/review-drafts'
import SessionsDialog from './SessionsDialog.vue'
import { useSession } from '../api/session-store'

const session = useSession()
const theme = useThemeChoice()
const work = useWork()
const router = useRouter()
const asking = ref(false)
const listing = ref(false)
const open = ref(false)
const failed = ref('')

const THEMES: readonly { value: ThemeChoice; text: string }[] = [
  { value: 'light', text: 'Light' },
  { value: 'dark', text: 'Dark' },
  { value: 'system', text: 'As this machine' },
]

/** Whether something of this person still waits in this browser. */
async function hasUnsent(): Promise<boolean> {
  const id = session.person?.id
  return id !== undefined && (!(await new OfflineCopy(id).isEmpty()) || new ReviewDrafts(id).hasUnsaved)
}

async function leave(force = false): Promise<void> {
  failed.value = ''
  await work.flush()
  if (!force && (await hasUnsent())) {
    asking.value = true
    return
  }
  try {
    await session.signOut()
    asking.value = false
    await router.push('/')
  } catch (error) {
    failed.value = (error as Error).message
    asking.value = true
  }
}
</script>

<template>
  <v-menu v-if="session.person" v-model="open" :close-on-content-click="false">
    <template #activator="{ props: menu }">
      <v-btn v-bind="menu" variant="text" prepend-icon="$person" append-icon="$choose" class="person">
        {{ session.person.name }}
      </v-btn>
    </template>
    <div class="sheet menu">
      <p id="theme-label" class="soft">Colours</p>
      <div class="themes" role="radiogroup" aria-labelledby="theme-label">
        <button
          v-for="t in THEMES"
          :key="t.value"
          class="chip"
          role="radio"
          :aria-checked="theme.choice === t.value"
          @click="theme.choice = t.value"
        >
          {{ t.text }}
        </button>
      </div>
      <v-btn block variant="outlined" data-test="own-sessions" @click="((open = false), (listing = true))"
        >Where you are signed in</v-btn
      >
      <v-btn block @click="leave()">Sign out</v-btn>
    </div>
  </v-menu>

  <SessionsDialog v-model="listing" />
  <v-dialog v-model="asking" aria-label="Not everything is sent yet">
    <div class="sheet ask">
      <h2>Some of your work has not been sent yet</h2>
      <p>
        {{ failed || 'The server cannot be reached.' }} If you sign out now, it stays in this browser and is
        sent when you sign in here again.
      </p>
      <div class="row">
        <v-btn variant="text" @click="leave(true)">Sign out all the same</v-btn>
        <v-btn color="primary" variant="flat" @click="asking = false">Stay</v-btn>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.person :deep(.v-btn__content) {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
}

.menu {
  display: grid;
  gap: 10px;
  padding: 14px;
  margin-top: 4px;
}

.themes {
  display: flex;
  gap: 6px;
}

.ask {
  display: grid;
  gap: 14px;
  padding: 22px;
}

.row {
  display: flex;
  justify-content: flex-end;
  gap: 8px;
}
</style>
