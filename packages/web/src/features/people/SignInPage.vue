<script setup lang="ts">
/** Coming in: by name and password, as somebody of the demo, or by asking to join a class. */
import type { Role } from '@rudlo/contract/access'
import { computed, ref } from 'vue'
import { useSession } from '../../api/session-store'
import JoinForm from './JoinForm.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import PasswordField from '../../ui/fields/PasswordField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { useSending } from '../../ui/forms/attempt'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useForm } from '../../ui/forms/use-form'
import RudloMark from '../../ui/marks/RudloMark.vue'
import { t } from '../../words/t'

const session = useSession()
const name = ref('')
const password = ref('')
const { busy, problem, send } = useSending()
const form = useForm(
  () => import('@rudlo/contract/access').then((m) => m.SignIn),
  (request) => session.signIn(request.signIn, request.password),
)
const byName = ref(false)
const joining = ref(false)

const of = (role: Role) => session.demo.filter((p) => p.role === role)
const groups = computed(
  () =>
    [
      [t('door.demo.teacher'), of('teacher')],
      [t('door.demo.students'), of('student')],
    ] as const,
)
const offersNames = computed(() => session.demo.length > 0 && !byName.value)
</script>

<template>
  <main class="page">
    <section class="hello">
      <RudloMark :size="44" />
      <p class="claim">{{ t('door.claim') }}</p>
      <svg viewBox="0 0 420 150" aria-hidden="true" class="staff">
        <line v-for="y in [20, 47, 74, 101, 128]" :key="y" x1="0" x2="420" :y1="y" :y2="y" />
        <path
          d="M20 128C70 124 70 47 110 47L170 47C186 47 184 92 200 92L268 92C284 92 282 47 298 47L330 47C366 47 360 122 400 128"
        />
        <ellipse
          v-for="[x, y] in [
            [20, 128],
            [110, 47],
            [170, 47],
            [200, 92],
            [268, 92],
            [298, 47],
            [330, 47],
            [400, 128],
          ]"
          :key="x"
          :cx="x"
          :cy="y"
          rx="9"
          ry="6.4"
          :transform="`rotate(-20 ${x} ${y})`"
        />
      </svg>
      <p class="soft about">{{ t('door.about') }}</p>
    </section>

    <section class="sheet box">
      <JoinForm v-if="joining" @back="joining = false" />
      <template v-else-if="offersNames">
        <h1>{{ t('door.demo.title') }}</h1>
        <p class="soft">{{ t('door.demo.text') }}</p>
        <template v-for="[title, people] in groups" :key="title">
          <h2>{{ title }}</h2>
          <div class="people">
            <AppButton
              v-for="p in people"
              :key="p.id"
              class="who"
              :disabled="busy"
              @click="send(() => session.signInDemo(p.id))"
              >{{ p.name }}</AppButton
            >
          </div>
        </template>
        <FormProblem :text="problem" />
        <AppButton tone="quiet" class="switch" @click="byName = true">{{ t('door.demo.by-name') }}</AppButton>
      </template>

      <form v-else @submit.prevent="form.submit({ signIn: name, password })">
        <h1>{{ t('door.sign-in') }}</h1>
        <TextField
          v-model="name"
          :label="t('door.name')"
          autocomplete="username"
          autocapitalize="off"
          :fault="form.fault('signIn')"
        />
        <PasswordField
          v-model="password"
          :label="t('door.password')"
          kind="current-password"
          :fault="form.fault('password')"
        />
        <FormProblem :text="form.problem.value" />
        <AppButton type="submit" tone="main" large :busy="form.busy.value">{{ t('door.sign-in') }}</AppButton>
        <AppButton v-if="session.demo.length" tone="quiet" @click="byName = false">{{
          t('door.demo.by-choice')
        }}</AppButton>
        <AppButton tone="quiet" data-test="join" @click="joining = true">{{ t('door.has-code') }}</AppButton>
        <p v-if="!session.demo.length" class="soft small">{{ t('door.forgotten') }}</p>
      </form>
    </section>
  </main>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 56px;
  align-items: center;
  max-width: 1080px;
  min-height: 100vh;
  margin: 0 auto;
  padding: 28px;
}

.hello {
  display: grid;
  gap: 16px;
}

.claim {
  font-size: var(--text-5);
  font-weight: 560;
}

.about {
  max-width: 400px;
  font-size: var(--text-3);
}

.staff {
  width: 100%;
  max-width: 420px;
}

.staff line {
  stroke: var(--rule);
}

.staff path {
  fill: none;
  stroke: var(--family-volume);
  stroke-width: 3;
}

.staff ellipse {
  fill: var(--family-volume);
}

.box {
  display: grid;
  gap: 12px;
  padding: 26px;
}

form {
  display: grid;
  gap: 14px;
}

h1 {
  font-size: var(--text-5);
}

h2 {
  margin-top: 4px;
  font-size: var(--text-2);
}

.people {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}

.who {
  justify-content: start;
  min-height: 44px;
}

.switch {
  justify-self: start;
  margin-left: -12px;
}

.small {
  font-size: var(--text-1);
}

@media (max-width: 820px) {
  .page {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
</style>
