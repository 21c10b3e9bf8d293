<script setup lang="ts">
/** Changes one’s own password. */
import { computed, ref, watch } from 'vue'
import { useSession } from '../api/session-store'
import AppButton from '../ui/buttons/AppButton.vue'
import PasswordField from '../ui/fields/PasswordField.vue'
import FormProblem from '../ui/forms/FormProblem.vue'
import { useForm } from '../ui/forms/use-form'
import AppDialog from '../ui/overlays/AppDialog.vue'
import { t } from '../words/t'

const open = defineModel<boolean>({ required: true })

const session = useSession()
const now = ref('')
const password = ref('')
const again = ref('')
const tried = ref(false)
const done = ref(false)
const differ = computed(() => again.value !== password.value)

const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.OwnPassword),
  async (json) => {
    await session.choosePassword(json.password, json.now)
    done.value = true
  },
)
watch(open, () => {
  now.value = password.value = again.value = ''
  tried.value = done.value = false
  problem.value = ''
})
async function save(): Promise<void> {
  tried.value = true
  if (!differ.value) await submit({ now: now.value, password: password.value })
}
</script>

<template>
  <AppDialog v-model="open" :title="t('shell.password')" :width="460">
    <p v-if="done" role="status" data-test="password-changed">{{ t('shell.password.done') }}</p>
    <form v-else class="fields" @submit.prevent="save">
      <PasswordField
        v-model="now"
        :label="t('shell.password.now')"
        kind="current-password"
        data-test="password-now"
      />
      <PasswordField
        v-model="password"
        :label="t('shell.password.new')"
        :hint="t('door.new-password.hint')"
        kind="new-password"
        :fault="fault('password')"
        data-test="password-new"
      />
      <PasswordField
        v-model="again"
        :label="t('shell.password.again')"
        kind="new-password"
        :fault="differ && tried ? t('door.own.differ') : null"
        data-test="password-again"
      />
      <FormProblem :text="problem" />
      <div>
        <AppButton type="submit" tone="main" :busy="busy" data-test="save-password">{{
          t('shell.password.save')
        }}</AppButton>
      </div>
    </form>
  </AppDialog>
</template>

<style scoped>
.fields {
  display: grid;
  gap: var(--space-3);
}
</style>
