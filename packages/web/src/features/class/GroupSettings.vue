<script setup lang="ts">
/** Name and place, the join code, the teachers, and how long what is personal is kept. */
import { computed, ref } from 'vue'
import { now } from '../../browser/clock'
import type { GroupView } from '@rudlo/contract/people'
import { useForm } from '../../ui/forms/use-form'
import { useClass } from './class-store'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ group: GroupView }>()

const store = useClass()
const name = ref(props.group.name)
const place = ref(props.group.place)
const keepUntil = ref(props.group.keepUntil ?? '')
const signIn = ref('')
const teacher = ref('')
const isOver = computed(() => props.group.keepUntil !== null && new Date(props.group.keepUntil) < now())

const about = useForm(
  () => import('@rudlo/contract/people').then((m) => m.ChangedGroup),
  (changed) => store.change(changed),
)
const save = (joinOpen = props.group.joinOpen) =>
  about.submit({ name: name.value, place: place.value, joinOpen, keepUntil: keepUntil.value || null })

const teachers = useForm(
  () => import('@rudlo/contract/people').then((m) => m.NewTeacher),
  async (made) => {
    if (await store.addTeacher(made)) signIn.value = teacher.value = ''
  },
)
const addTeacher = () =>
  teachers.submit({
    signIn: signIn.value.trim().toLowerCase(),
    ...(teacher.value.trim() ? { name: teacher.value.trim() } : {}),
  })
</script>

<template>
  <section class="sheet block form" aria-label="Settings of the group">
    <p v-if="isOver" class="problem" role="status">
      You wanted to keep what is personal in this group until {{ group.keepUntil }}. Let those who left leave,
      or set a later day.
    </p>
    <div>
      <h2>Join by code</h2>
      <p v-if="group.joinOpen">
        <b class="code" data-test="join-code">{{ group.joinCode }}</b>
        <span class="soft"> Whoever types it at the sign-in page waits here until you let them in.</span>
      </p>
      <p v-else class="soft">Closed: nobody can join by a code.</p>
      <AppButton small @click="save(!group.joinOpen)">
        {{ group.joinOpen ? 'Close it' : 'Open it' }}
      </AppButton>
    </div>
    <div>
      <h2>Teachers</h2>
      <ul>
        <li v-for="t in group.teachers" :key="t.id">
          {{ t.name }} <span class="soft">{{ t.signIn }}</span>
          <AppButton small v-if="group.teachers.length > 1" @click="store.takeOut(t.id)">take out</AppButton>
        </li>
      </ul>
      <form class="inline" @submit.prevent="addTeacher">
        <v-text-field
          v-model="signIn"
          label="Sign-in name of a teacher"
          autocapitalize="off"
          density="compact"
          :error-messages="teachers.fault('signIn')"
        />
        <v-text-field
          v-model="teacher"
          label="Name, if they are new here"
          density="compact"
          :error-messages="teachers.fault('name')"
        />
        <AppButton type="submit" :busy="teachers.busy.value">Name as a teacher</AppButton>
      </form>
    </div>
    <form @submit.prevent="save()">
      <h2>About the group</h2>
      <div class="inline">
        <v-text-field
          v-model="name"
          label="Name of the group"
          density="compact"
          :error-messages="about.fault('name')"
        />
        <v-text-field
          v-model="place"
          label="Where it meets"
          density="compact"
          :error-messages="about.fault('place')"
        />
        <v-text-field
          v-model="keepUntil"
          type="date"
          label="Keep what is personal until"
          density="compact"
          :error-messages="about.fault('keepUntil')"
        />
        <AppButton type="submit" :busy="about.busy.value" data-test="save-group">Keep</AppButton>
      </div>
    </form>
    <p v-if="about.problem.value || teachers.problem.value" class="problem" role="alert">
      {{ about.problem.value || teachers.problem.value }}
    </p>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 16px;
  padding: 16px 20px;
}

.block > :is(div, form) {
  width: 100%;
}

h2 {
  margin-bottom: 4px;
  font-size: 18px;
}

.code {
  padding: 2px 10px;
  border-radius: 8px;
  background: var(--wash);
  font-size: 20px;
  letter-spacing: 0.12em;
}

.inline {
  display: flex;
  width: 100%;
  padding-top: 8px;
  flex-wrap: wrap;
  gap: 8px;
  align-items: start;
}

.inline > .v-input {
  flex: 1 1 180px;
}

ul {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
