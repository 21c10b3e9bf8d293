<script setup lang="ts">
/** The first sign-in with a password from a card: an own one is chosen before anything else. */
import { computed, ref } from 'vue'
import RudloMark from '../shell/RudloMark.vue'
import { useSession } from './session-store'

const session = useSession()
const password = ref('')
const again = ref('')
const problem = ref('')
const busy = ref(false)
const differ = computed(() => again.value !== '' && again.value !== password.value)

async function choose(): Promise<void> {
  problem.value = ''
  busy.value = true
  try {
    await session.choosePassword(password.value)
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="page">
    <RudloMark :size="34" />
    <form class="sheet" @submit.prevent="choose">
      <h1>Hello {{ session.person?.name.split(' ')[0] }}</h1>
      <p class="soft">Choose a password of your own. The one on the card is of no use afterwards.</p>
      <v-text-field
        v-model="password"
        label="Your password, 8 characters or more"
        type="password"
        autocomplete="new-password"
      />
      <v-text-field v-model="again" label="Once more" type="password" autocomplete="new-password" />
      <p v-if="differ" class="problem" role="status">The two are not the same yet.</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <v-btn
        type="submit"
        color="primary"
        variant="flat"
        :loading="busy"
        :disabled="password.length < 8 || again !== password"
        >Keep it</v-btn
      >
      <v-btn variant="text" @click="session.signOut()">That is not me</v-btn>
    </form>
  </main>
</template>

<style scoped>
.page {
  display: grid;
  gap: 20px;
  justify-items: center;
  align-content: center;
  min-height: 100vh;
  padding: 24px;
}

form {
  display: grid;
  gap: 14px;
  width: min(440px, 100%);
  padding: 26px;
}

h1 {
  font-size: 26px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
