<script setup lang="ts">
import { ref } from 'vue'
import RudloMark from '../shell/RudloMark.vue'
import { useSession } from './session-store'

const session = useSession()
const form = ref({ code: '', name: '', signIn: '', password: '' })
const problem = ref('')
const busy = ref(false)

async function create(): Promise<void> {
  problem.value = ''
  busy.value = true
  try {
    await session.createFirstTeacher({ ...form.value, signIn: form.value.signIn.trim().toLowerCase() })
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
    <form class="sheet" @submit.prevent="create">
      <h1>The first teacher</h1>
      <p class="soft">Nobody is here yet. The terminal in which Rudlo was started shows a one-time code.</p>
      <v-text-field v-model="form.code" label="One-time code" autocomplete="off" />
      <v-text-field v-model="form.name" label="Your name" autocomplete="name" />
      <v-text-field v-model="form.signIn" label="Sign-in name" autocomplete="username" />
      <v-text-field
        v-model="form.password"
        label="Password, 8 characters or more"
        type="password"
        autocomplete="new-password"
      />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <v-btn type="submit" color="primary" variant="flat" :loading="busy">Begin</v-btn>
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
