<script setup lang="ts">
import { onMounted, ref, watchEffect } from 'vue'
import { useTheme } from 'vuetify'
import FirstTeacherPage from '../features/people/FirstTeacherPage.vue'
import OwnPasswordPage from '../features/people/OwnPasswordPage.vue'
import SignInAgain from '../features/people/SignInAgain.vue'
import SignInPage from '../features/people/SignInPage.vue'
import { useSession } from '../api/session-store'
import { useThemeChoice } from '../ui/theme/theme-store'

const session = useSession()
const choice = useThemeChoice()
const theme = useTheme()
const problem = ref('')
/** Sound needs a secure context: loopback or HTTPS. */
const secure = window.isSecureContext

watchEffect(() => theme.change(choice.name))

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
    <p v-if="!secure" class="insecure" role="alert">
      This address is not secure, and browsers give sound to secure ones alone. Ask for the address that
      begins with https.
    </p>
    <div v-if="problem && !session.known" class="lost">
      <p>{{ problem }}</p>
      <v-btn @click="look">Try again</v-btn>
    </div>
    <template v-else-if="session.known">
      <OwnPasswordPage v-if="session.person?.mustChange" />
      <router-view v-else-if="session.person" :key="session.person.id" />
      <FirstTeacherPage v-else-if="session.needsFirstTeacher" />
      <SignInPage v-else />
      <SignInAgain v-if="session.person" />
    </template>
  </v-app>
</template>

<style scoped>
.insecure {
  padding: 8px 18px;
  background: var(--warm);
  color: var(--sheet);
  font-weight: 600;
}

.lost {
  display: grid;
  gap: 14px;
  justify-items: center;
  align-content: center;
  min-height: 100vh;
}
</style>
