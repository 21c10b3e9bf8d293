<script setup lang="ts">
/** The students and teachers of a group. A new password takes two clicks: it happens every lesson. */
import { ref } from 'vue'
import { server, told } from '../../api/client'
import type { Belongings, GroupView, MemberView } from '@rudlo/contract/people'
import { useForm } from '../../ui/forms/use-form'
import { useClass } from './class-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'

defineProps<{ group: GroupView }>()

const store = useClass()
/** The student whose new password is asked for once more. */
const sure = ref<string | null>(null)
const renaming = ref<string | null>(null)
const name = ref('')
const leaving = ref<MemberView | null>(null)
const belongings = ref<Belongings | null>(null)

async function reset(student: MemberView): Promise<void> {
  if (sure.value !== student.id) return void (sure.value = student.id)
  sure.value = null
  await store.resetPassword(student.id)
}

const naming = useForm(
  () => import('@rudlo/contract/people').then((m) => m.StudentName),
  async (now) => {
    if (await store.rename(renaming.value!, now.name)) renaming.value = null
  },
)

async function askToErase(student: MemberView): Promise<void> {
  belongings.value = null
  leaving.value = student
  belongings.value = await told(
    server.people[':person'].belongings.$get({ param: { person: student.id } }),
  ).catch(() => null)
}

async function erase(): Promise<void> {
  const student = leaving.value
  leaving.value = null
  if (student) await store.erase(student.id)
}

async function takeOut(): Promise<void> {
  const student = leaving.value
  leaving.value = null
  if (student) await store.takeOut(student.id)
}
</script>

<template>
  <section class="sheet block" aria-label="Students">
    <h2>{{ group.students.length }} students</h2>
    <p v-if="!group.students.length" class="soft">Nobody yet. Add students, or let them join by the code.</p>
    <table v-else>
      <thead>
        <tr>
          <th scope="col">Name</th>
          <th scope="col">Signs in as</th>
          <th scope="col"><span class="unseen">What can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in group.students" :key="s.id" data-test="student">
          <td>
            <form v-if="renaming === s.id" @submit.prevent="naming.submit({ name })">
              <v-text-field
                v-model="name"
                label="Name"
                density="compact"
                autofocus
                :error-messages="naming.fault('name') ?? naming.problem.value"
                @keydown.esc="renaming = null"
              />
            </form>
            <RowButton
              v-else
              class="plain"
              tip="Change the name"
              @click="((renaming = s.id), (name = s.name))"
            >
              {{ s.name }}
            </RowButton>
          </td>
          <td>{{ s.signIn }}<span v-if="s.mustChange" class="soft"> · first password</span></td>
          <td class="acts">
            <AppButton small
             
              :class="{ sure: sure === s.id }"
              data-test="reset-password"
              @click="reset(s)"
            >
              {{ sure === s.id ? 'Yes, a new password' : 'New password' }}
            </AppButton>
            <AppButton small
             
              :href="`/api/people/${s.id}/everything`"
              download
              tip="Everything they made, in one file"
              >Take along</AppButton>
            <AppButton small data-test="leave" @click="askToErase(s)">Leaves …</AppButton>
          </td>
        </tr>
      </tbody>
    </table>
    <v-dialog
      :model-value="leaving !== null"
      aria-label="Leaves"
      max-width="520"
      @update:model-value="leaving = null"
    >
      <div v-if="leaving" class="sheet ask" data-test="leaving">
        <h2>{{ leaving.name }} leaves</h2>
        <p>
          <b>Out of the group</b>: their work stays, they can no longer open the group’s assignments. You can
          add them again.
        </p>
        <p v-if="belongings">
          <b>Erased</b>: {{ belongings['works'] }} works, {{ belongings['handIns'] }} hand-ins with everything
          said about them, {{ belongings['tries'] }} tries, {{ belongings['replies'] }} replies, name and
          password are gone for good. What remains: versions handed in together with somebody else stay
          theirs, and a note without a name that somebody was erased. Backups made before still hold it.
        </p>
        <p>
          <AppButton small :href="`/api/people/${leaving.id}/everything`" download
            >Take everything along first</AppButton>
        </p>
        <div class="row">
          <AppButton tone="quiet" @click="leaving = null">Stay</AppButton>
          <AppButton data-test="take-out" @click="takeOut">Out of the group</AppButton>
          <AppButton tone="main" data-test="erase" @click="erase">Erase for good</AppButton>
        </div>
      </div>
    </v-dialog>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 10px;
  padding: 16px 20px;
}

h2 {
  font-size: 18px;
}

table {
  width: 100%;
  border-spacing: 0;
}

th,
td {
  padding: 4px 12px 4px 0;
  border-bottom: 1px solid var(--rule);
  text-align: left;
}

th {
  color: var(--soft);
  font-weight: 400;
}

.acts {
  text-align: right;
  white-space: nowrap;
}

.acts .chip + .chip {
  margin-left: 6px;
}

.acts .chip {
  text-decoration: none;
}

.sure {
  border-color: var(--warm);
  background: var(--warm);
  color: var(--sheet);
}

.plain {
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  text-align: left;
  cursor: pointer;
}

.plain:hover {
  text-decoration: underline;
}

.ask {
  display: grid;
  gap: 12px;
  padding: 22px 26px;
}

.row {
  display: flex;
  gap: 8px;
  justify-content: end;
}
</style>
