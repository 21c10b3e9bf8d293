<script setup lang="ts">
/** Asking to join a group by its code: name, sign-in name and password are chosen here; a teacher lets people in. */
import { computed, ref } from 'vue'
import { server, told } from '../../api/client'
import { useForm } from '../../ui/use-form'

const emit = defineEmits<{ back: [] }>()
const form = ref({ code: '', name: '', signIn: '', password: '' })
const joined = ref('')
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/people').then((m) => m.JoinRequest),
  async (json) => (joined.value = (await told(server.join.$post({ json }))).group),
)
const signIn = computed(() => form.value.signIn.trim().toLowerCase())

const ask = () => submit({ ...form.value, signIn: signIn.value })
</script>

<template>
  <div v-if="joined" class="form">
    <h1>Nearly there</h1>
    <p>Your teacher has to let you into “{{ joined }}”. Then sign in as <b>{{ signIn }}</b>.</p>
    <v-btn color="primary" variant="flat" @click="emit('back')">To sign in</v-btn>
  </div>
  <form v-else class="form" @submit.prevent="ask">
    <h1>Join a group</h1>
    <v-text-field
      v-model="form.code"
      label="Code from your teacher"
      autocomplete="off"
      :error-messages="fault('code')"
    />
    <v-text-field v-model="form.name" label="Your name" autocomplete="name" :error-messages="fault('name')" />
    <v-text-field
      v-model="form.signIn"
      label="Sign-in name, as anna.b"
      autocapitalize="off"
      :error-messages="fault('signIn')"
    />
    <v-text-field
      v-model="form.password"
      label="Password, 8 characters or more"
      type="password"
      autocomplete="new-password"
      :error-messages="fault('password')"
    />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <v-btn type="submit" color="primary" variant="flat" :loading="busy" block data-test="ask-to-join"
      >Ask to join</v-btn
    >
    <v-btn variant="text" block @click="emit('back')">Back</v-btn>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
}

h1 {
  font-size: 26px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
