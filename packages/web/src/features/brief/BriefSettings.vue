<script setup lang="ts">
/** When it opens and is due, how often it can be handed in, when the model may be heard, and what holds for one student. */
import { ref, watch } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import type { SettingsView as AssignmentSettings } from '@rudlo/contract/assignments'
import { useBrief } from './brief-store'
import { isoTime, localTime } from './local-time'
import OtherGroups from './OtherGroups.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

interface Exceptional {
  readonly id: string
  readonly name: string
  readonly dueAt: string | null
  readonly brief: object | null
}

const store = useBrief()
const exceptions = ref<readonly Exceptional[]>([])
const note = ref('')

const load = async () => {
  exceptions.value = await told(
    server.assignments[':assignment'].exceptions.$get({ param: { assignment: store.assignment!.id } }),
  ).catch(() => [])
}
watch(() => store.assignment?.id, load, { immediate: true })

/** From when on students may hear the model. */
const MODEL_HEARD = [
  { value: 'never', title: 'never' },
  { value: 'handed in', title: 'after handing in' },
  { value: 'given back', title: 'after it was given back' },
] as const

const set = (by: Partial<AssignmentSettings>) => (store.settings = { ...store.settings!, ...by })
const text = (event: Event) => (event.target as HTMLInputElement).value

function act(what: () => Promise<void>): Promise<boolean> {
  note.value = ''
  return attempt(what, (sentence) => (note.value = sentence))
}

const except = (student: Exceptional, by: { dueAt?: string | null; brief?: object | null }) =>
  act(async () => {
    await told(
      server.assignments[':assignment'].exceptions[':person'].$put({
        param: { assignment: store.assignment!.id, person: student.id },
        json: {
          dueAt: student.dueAt,
          brief: student.brief,
          ...by,
        },
      }),
    )
    await load()
  })

const remeasure = () =>
  act(async () => {
    const count = await store.remeasure()
    note.value = count
      ? `${count} hand-ins are measured anew by the brief as it is saved now.`
      : 'Nothing was handed in yet.'
  })
</script>

<template>
  <section v-if="store.settings" class="sheet settings">
    <h2>Giving it out</h2>
    <div class="row">
      <v-text-field
        type="datetime-local"
        label="Opens"
        density="compact"
        :model-value="localTime(store.settings.opensAt)"
        :error-messages="store.fault('opensAt')"
        @update:model-value="set({ opensAt: isoTime($event) })"
        @keydown.stop
      />
      <v-text-field
        type="datetime-local"
        label="Due"
        density="compact"
        data-test="due"
        :model-value="localTime(store.settings.dueAt)"
        :error-messages="store.fault('dueAt')"
        @update:model-value="set({ dueAt: isoTime($event) })"
        @keydown.stop
      />
      <v-text-field
        class="hand-ins"
        type="number"
        label="Hand-ins"
        placeholder="any"
        persistent-placeholder
        density="compact"
        :model-value="store.settings.handInLimit ?? ''"
        :error-messages="store.fault('handInLimit')"
        @update:model-value="set({ handInLimit: $event ? Number($event) : null })"
        @keydown.stop
      />
      <v-select
        label="Students hear the model"
        :items="MODEL_HEARD"
        :model-value="store.settings.modelHeard"
        @update:model-value="set({ modelHeard: $event })"
        @keydown.stop
      />
    </div>
    <OtherGroups />
    <details>
      <summary>For one student: more time, or a simpler brief</summary>
      <table>
        <tbody>
          <tr v-for="s in exceptions" :key="s.id">
            <th scope="row">{{ s.name }}</th>
            <td>
              <label
                >due
                <input
                  type="datetime-local"
                  :value="localTime(s.dueAt)"
                  @change="except(s, { dueAt: isoTime(text($event)) })"
                  @keydown.stop
              /></label>
            </td>
            <td>
              <AppButton small v-if="s.brief" @click="except(s, { brief: null })">
                own brief: back to everybody's
              </AppButton>
              <AppButton small
                v-else
               
                tip="The tasks as they are written here now, before you save them for everybody"
                @click="except(s, { brief: store.brief })"
              >
                give the tasks as written here
              </AppButton>
            </td>
          </tr>
        </tbody>
      </table>
    </details>
    <p class="row">
      <AppButton small @click="remeasure">Measure what was handed in anew</AppButton>
      <span class="soft">Otherwise each hand-in keeps the brief that it was made for.</span>
    </p>
    <p v-if="note" role="status">{{ note }}</p>
  </section>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 12px;
  padding: 16px 18px;
}

h2 {
  font-size: 20px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 12px;
  align-items: start;
}

.row > .v-input {
  flex: 1 1 190px;
}

.row > .v-select {
  flex-basis: 250px;
}

.row > .hand-ins {
  flex: 0 1 110px;
}

label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}

table {
  margin-top: 6px;
  border-collapse: collapse;
}

th,
td {
  padding: 4px 12px 4px 0;
  font-weight: 500;
  text-align: left;
}

summary {
  min-height: 30px;
  cursor: pointer;
}
</style>
