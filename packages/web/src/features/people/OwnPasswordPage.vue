<script setup lang="ts">
/** The first sign-in with a password from a card: an own one is chosen before anything else. */
import { computed, ref } from 'vue'
import { useSession } from '../../api/session-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import PasswordField from '../../ui/fields/PasswordField.vue'
import { useForm } from '../../ui/forms/use-form'
import { t } from '../../words/t'
import DoorPage from './DoorPage.vue'

const session = useSession()
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.OwnPassword),
  ({ password }) => session.choosePassword(password),
)
const password = ref('')
const again = ref('')
/** Somebody has tried to save two that differ. */
const tried = ref(false)
const differ = computed(() => again.value !== password.value)

async function save(): Promise<void> {
  tried.value = true
  if (!differ.value) await submit({ password: password.value })
}
</script>

<template>
  <DoorPage
    :title="t('door.own.title', { name: session.person?.name.split(' ')[0] ?? '' })"
    :about="t('door.own.text')"
    :problem="problem"
    @submit="save"
  >
    <PasswordField
      v-model="password"
      :label="t('door.own.password')"
      :hint="t('door.new-password.hint')"
      kind="new-password"
      :fault="fault('password')"
    />
    <PasswordField
      v-model="again"
      :label="t('door.own.again')"
      kind="new-password"
      :fault="differ && (tried || again) ? t('door.own.differ') : null"
    />
    <template #ways>
      <AppButton type="submit" tone="main" large :busy="busy">{{ t('door.own.save') }}</AppButton>
      <AppButton tone="quiet" @click="session.signOut()">{{ t('door.own.not-me') }}</AppButton>
    </template>
  </DoorPage>
</template>
