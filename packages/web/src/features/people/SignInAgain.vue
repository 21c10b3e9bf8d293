<script setup lang="ts">
/** A session that ended in the middle: whoever works here signs in on the spot, and the work goes on. */
import { computed, ref, watch } from 'vue'
import { useWork } from '../../document/work-store'
import { useSession } from '../../api/session-store'
import { useForm } from '../../ui/use-form'
import { useSending } from '../../ui/attempt'

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
  <v-dialog
    :model-value="session.isOver"
    persistent
    max-width="440"
    aria-labelledby="again-title"
    data-test="sign-in-again"
  >
    <form class="sheet again" @submit.prevent="goOn">
      <h2 id="again-title">You have been signed out</h2>
      <p>
        Sign in again to go on, {{ session.person?.name.split(' ')[0] }}. What you have done is still here.
      </p>
      <template v-if="!inDemo">
        <v-text-field
          v-model="name"
          label="Sign-in name"
          autocomplete="username"
          autocapitalize="off"
          :error-messages="fault('signIn')"
        />
        <v-text-field
          v-model="password"
          label="Password"
          type="password"
          autocomplete="current-password"
          :error-messages="fault('password')"
        />
      </template>
      <p v-if="problem || demo.problem.value" class="problem" role="alert">
        {{ problem || demo.problem.value }}
      </p>
      <div class="row">
        <v-btn variant="text" @click="session.leaveIt()">Leave this page</v-btn>
        <v-btn
          type="submit"
          color="primary"
          variant="flat"
          :loading="busy || demo.busy.value || !isKnown"
          data-test="go-on"
          >{{ inDemo ? `Go on as ${session.person?.name}` : 'Sign in' }}</v-btn
        >
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.again {
  display: grid;
  gap: 14px;
  padding: 24px 26px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}

.row {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
</style>
