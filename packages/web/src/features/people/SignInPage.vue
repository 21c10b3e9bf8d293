<script setup lang="ts">
import { computed, ref } from 'vue'
import JoinForm from './JoinForm.vue'
import { useSending } from '../../ui/attempt'
import RudloMark from '../../ui/RudloMark.vue'
import { useForm } from '../../ui/use-form'
import { useSession } from '../../api/session-store'

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

const teachers = computed(() => session.demo.filter((p) => p.role === 'teacher'))
const students = computed(() => session.demo.filter((p) => p.role === 'student'))
const offersNames = computed(() => session.demo.length > 0 && !byName.value)
</script>

<template>
  <main class="page">
    <section class="hello">
      <RudloMark :size="44" />
      <p class="claim">Draw a line. Hear it move.</p>
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
      <p class="soft about">
        Volume that fades, makes room and lets go: write it on a song, hear it at once, and show it to your
        teacher.
      </p>
    </section>

    <section class="sheet box">
      <JoinForm v-if="joining" @back="joining = false" />
      <template v-else-if="offersNames">
        <h1>Who are you today?</h1>
        <p class="soft">This is the demo. Choose anybody; no password is needed.</p>
        <h2>Teacher</h2>
        <div class="people">
          <button
            v-for="p in teachers"
            :key="p.id"
            class="who"
            :disabled="busy"
            @click="send(() => session.signInDemo(p.id))"
          >
            {{ p.name }}
          </button>
        </div>
        <h2>Students</h2>
        <div class="people">
          <button
            v-for="p in students"
            :key="p.id"
            class="who"
            :disabled="busy"
            @click="send(() => session.signInDemo(p.id))"
          >
            {{ p.name }}
          </button>
        </div>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <v-btn variant="text" class="switch" @click="byName = true">Sign in with name and password</v-btn>
      </template>

      <form v-else @submit.prevent="form.submit({ signIn: name, password })">
        <h1>Sign in</h1>
        <v-text-field
          v-model="name"
          label="Sign-in name"
          autocomplete="username"
          autocapitalize="off"
          :error-messages="form.fault('signIn')"
        />
        <v-text-field
          v-model="password"
          label="Password"
          type="password"
          autocomplete="current-password"
          :error-messages="form.fault('password')"
        />
        <p v-if="form.problem.value" class="problem" role="alert">{{ form.problem.value }}</p>
        <v-btn type="submit" color="primary" variant="flat" :loading="form.busy.value" block>Sign in</v-btn>
        <v-btn v-if="session.demo.length" variant="text" block @click="byName = false"
          >Choose a name of the demo</v-btn
        >
        <v-btn variant="text" block data-test="join" @click="joining = true"
          >I have a code to join a group</v-btn
        >
        <p v-if="!session.demo.length" class="soft small">
          Forgotten your password? Your teacher can give you a new one.
        </p>
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
  font-size: 27px;
  font-weight: 560;
}

.about {
  max-width: 400px;
  font-size: 17px;
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
  font-size: 26px;
}

h2 {
  margin-top: 4px;
  font-size: 15px;
}

.people {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}

.who {
  min-height: 44px;
  padding: 4px 14px;
  text-align: left;
  font: inherit;
  font-weight: 560;
  color: inherit;
  background: var(--paper);
  border: 1px solid var(--rule);
  border-radius: 10px;
  cursor: pointer;
}

.who:hover {
  border-color: var(--ink);
}

.switch {
  justify-self: start;
  margin-left: -12px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}

.small {
  font-size: 14px;
}

@media (max-width: 820px) {
  .page {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
</style>
