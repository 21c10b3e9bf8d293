<script setup lang="ts">
/** Name and place, the join code, the teachers, and how long what is personal is kept. */
import { computed, ref } from 'vue'
import { now } from '../../api/clock'
import type { GroupView } from '@rudlo/contract/people'
import { useClass } from './class-store'

const props = defineProps<{ group: GroupView }>()

const store = useClass()
const name = ref(props.group.name)
const place = ref(props.group.place)
const keepUntil = ref(props.group.keepUntil ?? '')
const signIn = ref('')
const teacher = ref('')
const isOver = computed(() => props.group.keepUntil !== null && new Date(props.group.keepUntil) < now())

const save = (joinOpen = props.group.joinOpen) =>
  store.change({ name: name.value, place: place.value, joinOpen, keepUntil: keepUntil.value || null })

async function addTeacher(): Promise<void> {
  if (await store.addTeacher(signIn.value.trim().toLowerCase(), teacher.value))
    signIn.value = teacher.value = ''
}
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
      <button class="chip" @click="save(!group.joinOpen)">
        {{ group.joinOpen ? 'Close it' : 'Open it' }}
      </button>
    </div>
    <div>
      <h2>Teachers</h2>
      <ul>
        <li v-for="t in group.teachers" :key="t.id">
          {{ t.name }} <span class="soft">{{ t.signIn }}</span>
          <button v-if="group.teachers.length > 1" class="chip" @click="store.takeOut(t.id)">take out</button>
        </li>
      </ul>
      <form class="inline" @submit.prevent="addTeacher">
        <input v-model="signIn" placeholder="Sign-in name" aria-label="Sign-in name of a teacher" />
        <input
          v-model="teacher"
          placeholder="Name, if they are new here"
          aria-label="Name of a new teacher"
        />
        <button class="chip" :disabled="!signIn.trim()">Name as a teacher</button>
      </form>
    </div>
    <form @submit.prevent="save()">
      <h2>About the group</h2>
      <div class="inline">
        <input v-model="name" aria-label="Name of the group" maxlength="120" />
        <input v-model="place" aria-label="Where it meets" placeholder="Where it meets" maxlength="120" />
        <label>Keep what is personal until <input v-model="keepUntil" type="date" /></label>
        <button class="chip" :disabled="!name.trim()" data-test="save-group">Keep</button>
      </div>
    </form>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 16px;
  padding: 16px 20px;
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
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
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
