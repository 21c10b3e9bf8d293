<script setup lang="ts">
/** The term at a glance: everybody at every assignment, what most get wrong, and what could be taught next. */
import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import NoticeBar from '../../../ui/overlays/NoticeBar.vue'
import RoomState from '../../../ui/page/RoomState.vue'
import { t } from '../../../words/t'
import AssignmentGlance from './AssignmentGlance.vue'
import TermGlance from './TermGlance.vue'
import { useTerm } from './term-store'

const props = defineProps<{ group: string }>()

const store = useTerm()
const route = useRoute()
const router = useRouter()
watch(
  () => props.group,
  (id) => void store.open(id),
  { immediate: true },
)

const assignment = computed(
  () => store.term?.assignments.find((a) => a.id === route.query['assignment']) ?? null,
)
const show = (id: string | null) => router.push({ query: id ? { assignment: id } : {} })
</script>

<template>
  <RoomState
    :problem="store.problem"
    :loading="!store.term"
    :empty="
      store.term && !store.term.students.length
        ? { title: t('term.nobody'), text: t('term.nobody.text') }
        : store.term && !store.term.assignments.length
          ? { title: t('term.nothing'), text: t('term.nothing.text') }
          : null
    "
    @again="store.open(group)"
  >
    <template #room>
      <AssignmentGlance v-if="assignment" :key="assignment.id" :assignment="assignment" @back="show(null)" />
      <TermGlance v-else @open="show" />
    </template>
  </RoomState>
  <NoticeBar v-model="store.notice" />
</template>
