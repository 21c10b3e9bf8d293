<script setup lang="ts">
/** What to do first after an empty start: three steps that tick themselves. */
import { computed, onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import AppButton from '../../ui/buttons/AppButton.vue'
import { attempt } from '../../ui/forms/attempt'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'
import NewAssignment from './NewAssignment.vue'

const done = shallowRef({ class: false, song: false })
const making = ref(false)
const problem = ref('')
const steps = computed(
  () =>
    [
      { key: 'class', done: done.value.class, to: '/class' },
      { key: 'song', done: done.value.song, to: '/song/new' },
      { key: 'assignment', done: false, to: null },
    ] as const,
)
/** The first that is not done: what the strong button is for. */
const now = computed(() => steps.value.find((s) => !s.done)!.key)

onMounted(() =>
  attempt(
    async () => {
      const [groups, songs] = await Promise.all([told(server.groups.$get()), told(server.songs.$get())])
      done.value = { class: groups.length > 0, song: songs.length > 0 }
    },
    (sentence) => (problem.value = sentence),
  ),
)
</script>

<template>
  <PageSection :title="t('home.steps')" :about="problem || t('home.steps.text')" data-test="first-steps">
    <ol>
      <li v-for="(s, i) in steps" :key="s.key" :class="{ done: s.done }" :data-test="`step-${s.key}`">
        <span class="number"
          ><v-icon v-if="s.done" icon="$done" size="20" :aria-label="t('home.step.done')" /><template
            v-else
            >{{ i + 1 }}</template
          ></span
        >
        <span class="what"
          ><b>{{ t(`home.step.${s.key}`) }}</b
          ><span class="soft">{{ t(`home.step.${s.key}.text`) }}</span></span
        >
        <AppButton
          v-if="s.to"
          :tone="s.key === now ? 'main' : 'plain'"
          :to="s.to"
          :data-test="`go-${s.key}`"
          >{{ t(`home.step.${s.key}`) }}</AppButton
        >
        <AppButton
          v-else
          :tone="s.key === now ? 'main' : 'plain'"
          :disabled="!done.class || !done.song"
          data-test="new-assignment"
          @click="making = true"
          >{{ t('home.step.assignment') }}</AppButton
        >
      </li>
    </ol>
    <NewAssignment v-model="making" :cards="[]" />
  </PageSection>
</template>

<style scoped>
ol {
  display: grid;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: var(--space-4);
  align-items: center;
  padding: var(--space-4) 0;
}

li + li {
  border-top: 1px solid var(--rule);
}

.number {
  display: grid;
  place-items: center;
  width: 36px;
  height: 36px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  font-weight: 680;
}

.done .number {
  border-color: var(--good);
  background: var(--good);
  color: var(--sheet);
}

.what {
  display: grid;
  flex: 1;
}
</style>
