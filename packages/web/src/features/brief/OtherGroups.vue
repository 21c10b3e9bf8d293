<script setup lang="ts">
/** The same assignment for other groups of the teacher: which get it too, and until when. */
import { computed, ref, watch } from 'vue'
import { attempt, useSending } from '../../ui/forms/attempt'
import { useBrief } from './brief-store'
import { useGroups } from './groups-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import MomentField from '../../ui/fields/MomentField.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { t } from '../../words/t'

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

/** What was changed is saved first, so that all get the same. */
const give = () =>
  send(async () => {
    if (store.changed && !(await store.save())) return
    const count = await groups.give()
    said.value = t('brief.classes.given', { n: count })
  })
</script>

<template>
  <section
    v-if="groups.others.length"
    class="others"
    :aria-label="t('brief.classes')"
    data-test="other-groups"
  >
    <h3>{{ t('brief.classes') }}</h3>
    <div v-for="g in groups.others" :key="g.group" class="line">
      <template v-if="g.assignment">
        <RouterLink :to="`/brief/${g.assignment}`">{{ g.name }}</RouterLink>
        <span class="soft">{{ t('brief.classes.has') }}</span>
      </template>
      <template v-else>
        <CheckField
          :model-value="groups.chosen.has(g.group)"
          :label="g.name"
          :disabled="!g.students"
          @update:model-value="(on) => tick(g.group, on)"
        />
        <span class="soft">{{
          g.students ? t('brief.classes.students', { n: g.students }) : t('brief.classes.none')
        }}</span>
        <MomentField
          v-if="groups.chosen.has(g.group)"
          class="due"
          :label="t('brief.classes.due', { name: g.name })"
          :model-value="groups.chosen.get(g.group) ?? null"
          @update:model-value="(at) => groups.choose(g.group, at)"
        />
      </template>
    </div>
    <CheckField
      v-if="groups.shared.length"
      v-model="groups.everywhere"
      :label="t('brief.classes.everywhere')"
      data-test="everywhere"
    />
    <p v-if="groups.chosen.size && store.isDraft" class="soft">{{ t('brief.classes.on-publish') }}</p>
    <p v-else-if="groups.chosen.size">
      <AppButton :busy="busy" data-test="give-to-more" @click="give">{{
        t('brief.classes.give', { n: groups.chosen.size })
      }}</AppButton>
    </p>
    <FormProblem :text="problem" />
    <p v-if="said && !problem" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.others {
  display: grid;
  gap: var(--space-1);
}

h3 {
  font-size: var(--text-3);
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
  min-height: var(--row);
}

.due {
  flex: 1 1 300px;
}

a {
  color: inherit;
}
</style>
