<script setup lang="ts">
/** Every assignment of a teacher. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import { onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import RemovedList from '../../desk/removed/RemovedList.vue'
import AppHeader from '../../shell/AppHeader.vue'
import RoomPage from '../../ui/page/RoomPage.vue'
import { t } from '../../words/t'
import FirstSteps from './FirstSteps.vue'
import TeacherHome from './TeacherHome.vue'

const cards = shallowRef<readonly AssignmentCard[] | null>(null)
const problem = ref('')

async function load(): Promise<void> {
  problem.value = ''
  try {
    cards.value = await told(server.assignments.$get())
  } catch (error) {
    problem.value = (error as Error).message
  }
}
onMounted(load)
</script>

<template>
  <AppHeader />
  <TeacherHome v-if="cards?.length && !problem" :cards="cards" @changed="load" />
  <RoomPage v-else :title="t('home.assignments')" :problem="problem" :loading="!cards" @again="load">
    <FirstSteps />
    <RemovedList kind="assignment" @restored="load" />
  </RoomPage>
</template>
