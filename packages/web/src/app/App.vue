<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, watchEffect } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useTheme } from 'vuetify'
import { useSession } from '../api/session-store'
import FirstTeacherPage from '../features/people/FirstTeacherPage.vue'
import OwnPasswordPage from '../features/people/OwnPasswordPage.vue'
import SignInPage from '../features/people/SignInPage.vue'
import NoticeBar from '../ui/overlays/NoticeBar.vue'
import TipHost from '../ui/overlays/TipHost.vue'
import RoomState from '../ui/page/RoomState.vue'
import { useThemeChoice } from '../ui/theme/theme-store'
import { t } from '../words/t'
import { whenRoomIsMissing } from './missing-room'

/** It knows the work: nobody waits for that before they are signed in. */
const SignInAgain = defineAsyncComponent(() => import('../features/people/SignInAgain.vue'))

const session = useSession()
const route = useRoute()
const choice = useThemeChoice()
const theme = useTheme()
const problem = ref('')
/** Why a room could not be gone to. */
const notice = ref<string | null>(null)
/** Sound needs a secure context: loopback or HTTPS. */
const secure = window.isSecureContext

/** Open to everybody: the specimens, which there are while Rudlo is developed. */
const isOpen = computed(() => route.meta['open'] === true)

watchEffect(() => theme.change(choice.name))
whenRoomIsMissing(useRouter(), (sentence) => (notice.value = sentence))

async function look(): Promise<void> {
  problem.value = ''
  try {
    await session.look()
  } catch (error) {
    problem.value = (error as Error).message
  }
}

onMounted(look)
</script>

<template>
  <v-app>
    <p v-if="!secure" class="insecure" role="alert">{{ t('ui.insecure') }}</p>
    <RoomState v-if="problem && !session.known" :problem="problem" @again="look" />
    <template v-else-if="session.known">
      <OwnPasswordPage v-if="session.person?.mustChange" />
      <router-view v-else-if="session.person || isOpen" :key="session.person?.id ?? 0" />
      <FirstTeacherPage v-else-if="session.needsFirstTeacher" />
      <SignInPage v-else />
      <SignInAgain v-if="session.person" />
    </template>
    <NoticeBar v-model="notice" />
    <TipHost />
  </v-app>
</template>

<style scoped>
.insecure {
  padding: var(--space-2) var(--space-5);
  background: var(--warm);
  color: var(--sheet);
  font-weight: 600;
}
</style>
