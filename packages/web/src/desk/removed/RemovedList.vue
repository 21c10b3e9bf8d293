<script setup lang="ts">
/** What was removed and can still be had back. */
import type { Removable, RemovedView } from '@rudlo/contract/removed'
import { onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import AppButton from '../../ui/buttons/AppButton.vue'
import { attempt } from '../../ui/forms/attempt'
import FormProblem from '../../ui/forms/FormProblem.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { shortDay } from '../../words/dates'
import { t } from '../../words/t'

const props = defineProps<{ kind: Removable }>()
const emit = defineEmits<{ restored: [] }>()

const removed = shallowRef<readonly RemovedView[]>([])
const problem = ref('')

async function load(): Promise<void> {
  await attempt(
    async () => {
      removed.value = (await told(server.removed.$get())).filter((r) => r.kind === props.kind)
    },
    (sentence) => (problem.value = sentence),
  )
}
async function restore({ kind, id }: RemovedView): Promise<void> {
  const done = await attempt(
    () => told(server.removed.$post({ json: { kind, id } })),
    (sentence) => (problem.value = sentence),
  )
  if (!done) return
  emit('restored')
  await load()
}
onMounted(load)
defineExpose({ load })
</script>

<template>
  <section v-if="removed.length" class="sheet removed" data-test="removed">
    <FoldSection :title="t('removed.title')" :note="String(removed.length)">
      <ul class="plain-list">
        <li v-for="r in removed" :key="r.id">
          <span class="what"
            ><b>{{ r.title }}</b>
            <span class="soft">{{ t('removed.until', { day: shortDay(new Date(r.until)) }) }}</span></span
          >
          <AppButton small icon="undo" data-test="restore" @click="restore(r)">{{
            t('removed.restore')
          }}</AppButton>
        </li>
      </ul>
    </FoldSection>
    <FormProblem :text="problem" />
  </section>
</template>

<style scoped>
.removed {
  padding: var(--space-2) var(--space-5);
}

li {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  min-height: var(--row);
}

.what {
  display: flex;
  flex: 1;
  gap: var(--space-3);
  align-items: baseline;
}
</style>
