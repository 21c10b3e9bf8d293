<script setup lang="ts">
/** Asking to join a class by its code: name, sign-in name and password are chosen here; a teacher lets people in. */
import { computed, ref } from 'vue'
import { server, told } from '../../api/client'
import AppButton from '../../ui/buttons/AppButton.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useForm } from '../../ui/forms/use-form'
import { t } from '../../words/t'
import NewAccount from './NewAccount.vue'

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
    <h1>{{ t('door.join.asked') }}</h1>
    <p>{{ t('door.join.asked.text', { group: joined, name: signIn }) }}</p>
    <AppButton tone="main" large @click="emit('back')">{{ t('door.join.to-sign-in') }}</AppButton>
  </div>
  <form v-else class="form" @submit.prevent="ask">
    <h1>{{ t('door.join.title') }}</h1>
    <NewAccount
      v-model="form"
      :code="t('door.join.code')"
      :code-hint="t('door.join.code.hint')"
      :fault="fault"
    />
    <FormProblem :text="problem" />
    <AppButton type="submit" tone="main" large :busy="busy" data-test="ask-to-join">{{
      t('door.join.ask')
    }}</AppButton>
    <AppButton tone="quiet" @click="emit('back')">{{ t('ui.back') }}</AppButton>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: var(--space-4);
}

h1 {
  font-size: var(--text-5);
}
</style>
