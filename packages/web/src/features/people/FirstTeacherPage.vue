<script setup lang="ts">
/** An empty installation: whoever reads the terminal becomes the first teacher. */
import { ref } from 'vue'
import { useForm } from '../../ui/use-form'
import DoorPage from './DoorPage.vue'
import { useSession } from '../../api/session-store'

const session = useSession()
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.FirstTeacher),
  session.createFirstTeacher,
)
const form = ref({ code: '', name: '', signIn: '', password: '' })

const create = () => submit({ ...form.value, signIn: form.value.signIn.trim().toLowerCase() })
</script>

<template>
  <DoorPage title="The first teacher" :problem="problem" @submit="create">
    <p class="soft">Nobody is here yet. The terminal in which Rudlo was started shows a one-time code.</p>
    <v-text-field
      v-model="form.code"
      label="One-time code"
      autocomplete="off"
      :error-messages="fault('code')"
    />
    <v-text-field v-model="form.name" label="Your name" autocomplete="name" :error-messages="fault('name')" />
    <v-text-field
      v-model="form.signIn"
      label="Sign-in name"
      autocomplete="username"
      :error-messages="fault('signIn')"
    />
    <v-text-field
      v-model="form.password"
      label="Password, 8 characters or more"
      type="password"
      autocomplete="new-password"
      :error-messages="fault('password')"
    />
    <template #ways>
      <v-btn type="submit" color="primary" variant="flat" :loading="busy">Begin</v-btn>
    </template>
  </DoorPage>
</template>
