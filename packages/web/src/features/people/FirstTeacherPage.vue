<script setup lang="ts">
/** An empty installation: whoever reads the terminal becomes the first teacher. */
import { ref } from 'vue'
import { useSession } from '../../api/session-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { useForm } from '../../ui/forms/use-form'
import { t } from '../../words/t'
import DoorPage from './DoorPage.vue'
import NewAccount from './NewAccount.vue'

const session = useSession()
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.FirstTeacher),
  session.createFirstTeacher,
)
const form = ref({ code: '', name: '', signIn: '', password: '' })

const create = () => submit({ ...form.value, signIn: form.value.signIn.trim().toLowerCase() })
</script>

<template>
  <DoorPage :title="t('door.first.title')" :about="t('door.first.text')" :problem="problem" @submit="create">
    <NewAccount v-model="form" :code="t('door.first.code')" :fault="fault" />
    <template #ways>
      <AppButton type="submit" tone="main" large :busy="busy">{{ t('door.first.create') }}</AppButton>
    </template>
  </DoorPage>
</template>
