<script setup lang="ts">
/** The same assignment for other groups of the teacher: which get it too, and until when. */
import { computed, ref, watch } from 'vue'
import { attempt, useSending } from '../../ui/forms/attempt'
import { useBrief } from './brief-store'
import { useGroups } from './groups-store'
import { isoTime, localTime } from './local-time'
import AppButton from '../../ui/buttons/AppButton.vue'

const store = useBrief()
const groups = useGroups()
const { busy, problem, send } = useSending()
const said = ref('')
const due = computed(() => store.settings?.dueAt ?? null)

watch(
  () => store.assignment?.id,
  (id) =>
    id &&
    attempt(
      () => groups.load(id),
      (sentence) => (problem.value = sentence),
    ),
  { immediate: true },
)

const tick = (group: string, on: boolean) => (on ? groups.choose(group, due.value) : groups.leaveOut(group))
const text = (event: Event) => (event.target as HTMLInputElement).value
const students = (count: number) => (count === 1 ? '1 student' : `${count} students`)

/** What was changed is saved first, so that all get the same. */
const give = () =>
  send(async () => {
    if (store.changed && !(await store.save())) return
    const count = await groups.give()
    said.value = count === 1 ? 'One more group has it now.' : `${count} more groups have it now.`
  })
</script>

<template>
  <fieldset v-if="groups.others.length" class="others" data-test="other-groups">
    <legend>Other groups</legend>
    <p v-for="g in groups.others" :key="g.group" class="line">
      <template v-if="g.assignment">
        <RouterLink :to="`/brief/${g.assignment}`">{{ g.name }}</RouterLink>
        <span class="soft">has it too</span>
      </template>
      <template v-else>
        <label>
          <input
            type="checkbox"
            :checked="groups.chosen.has(g.group)"
            :disabled="!g.students"
            @change="tick(g.group, ($event.target as HTMLInputElement).checked)"
          />
          {{ g.name }}
        </label>
        <span class="soft">{{ g.students ? students(g.students) : 'no students yet' }}</span>
        <label v-if="groups.chosen.has(g.group)"
          >due
          <input
            type="datetime-local"
            :aria-label="`Due for ${g.name}`"
            :value="localTime(groups.chosen.get(g.group) ?? null)"
            @change="groups.choose(g.group, isoTime(text($event)))"
            @keydown.stop
        /></label>
      </template>
    </p>
    <label v-if="groups.shared.length" class="line">
      <input v-model="groups.everywhere" type="checkbox" data-test="everywhere" />
      Save changes for these groups as well; each keeps its own dates
    </label>
    <p v-if="groups.chosen.size && store.isDraft" class="soft">They get it when you give it out.</p>
    <p v-else-if="groups.chosen.size">
      <AppButton :busy="busy" data-test="give-to-more" @click="give"
        >Give it to
        {{ groups.chosen.size === 1 ? 'this group' : `these ${groups.chosen.size} groups` }}</AppButton>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p v-else-if="said" role="status">{{ said }}</p>
  </fieldset>
</template>

<style scoped>
.others {
  display: grid;
  gap: 6px;
  padding: 0;
  margin: 0;
  border: 0;
}

legend {
  padding: 0;
  margin-bottom: 4px;
  font-weight: 560;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  min-height: 30px;
  margin: 0;
}

a {
  color: inherit;
}

label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}

.problem {
  color: var(--warm);
}
</style>
