<script setup lang="ts">
/** What is one's own: the colours of this device, where one is signed in, and signing out. */
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useSession } from '../api/session-store'
import { OfflineCopy } from '../document/offline-copy'
import { ReviewDrafts } from '../document/review-drafts'
import { useWork } from '../document/work-store'
import AppButton from '../ui/buttons/AppButton.vue'
import SwitchField from '../ui/fields/SwitchField.vue'
import ChoiceButtons from '../ui/buttons/ChoiceButtons.vue'
import AppDialog from '../ui/overlays/AppDialog.vue'
import AppMenu from '../ui/overlays/AppMenu.vue'
import { useThemeChoice, type ThemeChoice } from '../ui/theme/theme-store'
import { t } from '../words/t'
import PasswordDialog from './PasswordDialog.vue'
import SessionsDialog from './SessionsDialog.vue'

const session = useSession()
const theme = useThemeChoice()
const work = useWork()
const router = useRouter()
const asking = ref(false)
const listing = ref(false)
const open = ref(false)
const failed = ref('')

const THEMES = (['light', 'dark', 'system'] as const satisfies readonly ThemeChoice[]).map((value) => ({
  value,
  text: t(`shell.colours.${value}`),
}))
const initials = computed(() =>
  (session.person?.name ?? '')
    .split(/\s+/)
    .filter(Boolean)
    .map((part) => [...part][0]!.toUpperCase())
    .filter((_, i, all) => i === 0 || i === all.length - 1)
    .join(''),
)

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

const changing = ref(false)
function change(): void {
  open.value = false
  changing.value = true
}

function list(): void {
  open.value = false
  listing.value = true
}
</script>

<template>
  <AppMenu
    v-if="session.person"
    v-model="open"
    stays
    :label="t('shell.account', { name: session.person.name })"
  >
    <template #opener="{ opener }">
      <AppButton v-bind="opener" class="account" :tip="session.person.name" data-test="account"
        >{{ initials
        }}<span class="unseen">{{ t('shell.account', { name: session.person.name }) }}</span></AppButton
      >
    </template>
    <b>{{ session.person.name }}</b>
    <p class="soft">{{ t('shell.colours') }}</p>
    <ChoiceButtons v-model="theme.choice" :choices="THEMES" :label="t('shell.colours')" />
    <SwitchField v-model="theme.moreContrast" :label="t('shell.contrast')" />
    <AppButton data-test="change-password" @click="change">{{ t('shell.password') }}</AppButton>
    <AppButton data-test="own-sessions" @click="list">{{ t('shell.sessions') }}</AppButton>
    <AppButton data-test="sign-out" @click="leave()">{{ t('shell.sign-out') }}</AppButton>
  </AppMenu>

  <PasswordDialog v-model="changing" />
  <SessionsDialog v-model="listing" />
  <AppDialog v-model="asking" :title="t('shell.unsent.title')" alert>
    <p>{{ t('shell.unsent.text', { why: failed || t('ui.unreachable') }) }}</p>
    <template #acts>
      <AppButton tone="quiet" @click="leave(true)">{{ t('shell.unsent.leave') }}</AppButton>
      <AppButton tone="main" @click="asking = false">{{ t('shell.unsent.stay') }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.account {
  flex: none;
  width: max(40px, var(--target));
  min-width: 0;
  height: max(40px, var(--target));
  padding: 0;
  border-radius: 50%;
  font-size: var(--text-2);
}
</style>
