<script setup lang="ts">
/** An empty installation: whoever reads the terminal becomes the first teacher. */
import { ref } from 'vue'
import { useSending } from '../../ui/attempt'
import DoorPage from './DoorPage.vue'
import { useSession } from '../../api/session-store'

const session = useSession()
const { busy, problem, send } = useSending()
const form = ref({ code: '', name: '', signIn: '', password: '' })

const create = () =>
  send(() => session.createFirstTeacher({ ...form.value, signIn: form.value.signIn.trim().toLowerCase() }))
</script>

<template>
  <DoorPage title="The first teacher" :problem="problem" @submit="create">
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
    <template #ways>
      <v-btn type="submit" color="primary" variant="flat" :loading="busy">Begin</v-btn>
    </template>
  </DoorPage>
</template>
