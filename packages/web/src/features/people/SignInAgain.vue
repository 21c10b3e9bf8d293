<script setup lang="ts">
/** A session that ended in the middle: whoever works here signs in on the spot, and the work goes on. */
import { computed, ref, watch } from 'vue'
import { useWork } from '../../document/work-store'
import { useSession } from '../../api/session-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import PasswordField from '../../ui/fields/PasswordField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { useSending } from '../../ui/forms/attempt'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useForm } from '../../ui/forms/use-form'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import { t } from '../../words/t'

const session = useSession()
const work = useWork()
const name = ref('')
const password = ref('')
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.SignIn),
  (request) => session.goOn(request.signIn, request.password),
)
const demo = useSending()
/** Whether it is known how somebody signs in here. */
const isKnown = ref(false)
/** In the demo nobody has a password to remember. */
const inDemo = computed(() => session.demo.some((p) => p.id === session.person?.id))

watch(
  () => session.isOver,
  async (isOver) => {
    if (!isOver) return
    isKnown.value = false
    problem.value = demo.problem.value = ''
    password.value = ''
    await session.lookForDemo().catch(() => undefined)
    isKnown.value = true
  },
)

async function goOn(): Promise<void> {
  const isBack = inDemo.value
    ? await demo.send(() => session.goOnInDemo(session.person!.id))
    : await submit({ signIn: name.value, password: password.value })
  if (isBack) work.nudge()
}
</script>

<template>
  <AppDialog
    :model-value="session.isOver"
    persistent
    :width="440"
    :title="t('door.over.title')"
    data-test="sign-in-again"
  >
    <form id="sign-in-again" class="again" @submit.prevent="goOn">
      <p>{{ t('door.over.text', { name: session.person?.name.split(' ')[0] ?? '' }) }}</p>
      <template v-if="!inDemo">
        <TextField
          v-model="name"
          :label="t('door.name')"
          autocomplete="username"
          autocapitalize="off"
          :fault="fault('signIn')"
        />
        <PasswordField
          v-model="password"
          :label="t('door.password')"
          kind="current-password"
          :fault="fault('password')"
        />
      </template>
      <FormProblem :text="problem || demo.problem.value" />
    </form>
    <template #acts>
      <AppButton tone="quiet" @click="session.leaveIt()">{{ t('door.over.leave') }}</AppButton>
      <AppButton
        type="submit"
        form="sign-in-again"
        tone="main"
        :busy="busy || demo.busy.value || !isKnown"
        data-test="go-on"
        >{{
          inDemo ? t('door.over.go-on', { name: session.person?.name ?? '' }) : t('door.sign-in')
        }}</AppButton
      >
    </template>
  </AppDialog>
</template>

<style scoped>
.again {
  display: grid;
  gap: var(--space-4);
}
</style>
