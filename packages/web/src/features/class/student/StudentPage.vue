<script setup lang="ts">
/** One student over a term, as their teacher sees it: prints for a parents’ evening. */
import type { StudentTerm } from '@rudlo/contract/term'
import { ref, shallowRef, watch } from 'vue'
import { server, told } from '../../../api/client'
import StudentTermView from '../../../desk/term/StudentTermView.vue'
import AppHeader from '../../../shell/AppHeader.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import RoomPage from '../../../ui/page/RoomPage.vue'
import { t } from '../../../words/t'
import NotesSheet from './NotesSheet.vue'

const props = defineProps<{ group: string; person: string }>()

const term = shallowRef<StudentTerm | null>(null)
const problem = ref('')

async function load(): Promise<void> {
  problem.value = ''
  try {
    const { group, person } = props
    term.value = await told(
      server.groups[':group'].students[':person'].term.$get({ param: { group, person } }),
    )
  } catch (error) {
    problem.value = (error as Error).message
  }
}
watch(() => [props.group, props.person], load, { immediate: true })
const print = () => globalThis.print()
</script>

<template>
  <AppHeader class="screen" />
  <RoomPage
    class="student-page"
    wide
    :title="term?.student.name ?? ''"
    :about="term ? `${term.group.name} · ${term.group.place}` : undefined"
    :problem="problem"
    :loading="!term"
    @again="load"
  >
    <template #acts>
      <AppButton class="screen" tone="quiet" icon="back" :to="`/class/${group}`">{{
        t('term.title')
      }}</AppButton>
      <AppButton class="screen" icon="print" data-test="print" @click="print">{{
        t('student.print')
      }}</AppButton>
    </template>
    <StudentTermView v-if="term" :term="term">
      <template #acts="{ assignment: a }">
        <p v-if="a.handIn" class="screen">
          <AppButton small :to="`/review/${a.assignment}/${a.handIn}`">{{ t('student.open') }}</AppButton>
        </p>
      </template>
      <template #beside>
        <NotesSheet v-if="term.notes" class="screen" :group="group" :person="person" :notes="term.notes" />
      </template>
    </StudentTermView>
  </RoomPage>
</template>

<style scoped>
@media print {
  .screen {
    display: none;
  }

  .student-page {
    padding: 0;
  }
}
</style>
