<script setup lang="ts">
/** A teacher's class: the term at a glance, its marks, who is in it and how people come in and leave. */
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import AppHeader from '../../shell/AppHeader.vue'
import TabBar from '../../ui/bars/TabBar.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'
import MarksPart from './marks/MarksPart.vue'
import AddStudents from './people/AddStudents.vue'
import CardSheet from './people/CardSheet.vue'
import { useClass } from './people/class-store'
import EndOfTerm from './people/EndOfTerm.vue'
import FormerMembers from './people/FormerMembers.vue'
import GroupSettings from './people/GroupSettings.vue'
import JoinRequests from './people/JoinRequests.vue'
import MemberTable from './people/MemberTable.vue'
import NewGroupForm from './people/NewGroupForm.vue'
import TrailList from './people/TrailList.vue'
import TermPart from './term/TermPart.vue'

const PARTS = ['term', 'marks', 'people', 'settings', 'changes'] as const
type Part = (typeof PARTS)[number]

const props = defineProps<{ group?: string; part?: string }>()

const store = useClass()
const router = useRouter()
const adding = ref(false)
const making = ref(false)
let last: string | null = null
const open = computed(() => (store.group?.id === props.group ? store.group : null))
const part = computed<Part>({
  get: () => PARTS.find((p) => p === props.part) ?? 'term',
  set: (to) => void router.replace(`/class/${props.group}/${to}`),
})
const tabs = computed(() =>
  PARTS.map((value) => ({
    value,
    text: t(`class.tab.${value}`),
    note: value === 'people' ? String(open.value?.students.length ?? '') : undefined,
    test: `tab-${value}`,
  })),
)
const classes = computed(() =>
  (store.groups ?? []).map((g) => ({
    value: g.id,
    text: g.name,
    note: g.ended ? t('class.is-ended') : undefined,
  })),
)

/** The way to no class in particular leads to the one that was looked at last, else to the first. */
async function goOn(): Promise<void> {
  if (props.group) return
  const known = (store.groups ?? []).map((g) => g.id)
  const to = known.find((id) => id === last) ?? known[0]
  if (to) await router.replace(`/class/${to}`)
}
onMounted(async () => {
  await store.load()
  await goOn()
})
const look = () => (props.group ? store.open(props.group) : store.load())
watch(
  () => props.group,
  (id) => {
    store.showCards(id ?? null)
    store.renamed = []
    if (id) {
      last = id
      void store.open(id)
    } else void goOn()
  },
  { immediate: true },
)

const go = (id: string | null) => router.push(`/class/${id}/${part.value}`)

/** The class that was just made: it is asked who comes into it once it is open. */
let fresh: string | null = null
async function made(id: string): Promise<void> {
  fresh = id
  await router.push(`/class/${id}/people`)
}
watch(open, (is) => {
  if (!is || is.id !== fresh) return
  fresh = null
  adding.value = true
})
</script>

<template>
  <AppHeader class="screen" />
  <main class="class-page" :class="part">
    <RoomState
      :problem="!open && !store.groups?.length ? store.problem : ''"
      :loading="!store.groups || (Boolean(group) && !open && !store.problem)"
      :empty="
        store.groups && !store.groups.length
          ? { title: t('class.first.title'), text: t('class.first.text') }
          : null
      "
      @again="look"
    >
      <AppButton tone="main" data-test="first-group" @click="making = true">{{
        t('class.create')
      }}</AppButton>
      <template #room>
        <FormProblem class="screen" :text="store.problem" />
        <template v-if="open">
          <CardSheet
            v-if="store.cards.length"
            :cards="store.cards"
            :group="open.name"
            @done="store.putCardsAway"
          />
          <template v-else>
            <header class="head screen">
              <h1 class="unseen">{{ open.name }}</h1>
              <SelectField
                class="which"
                :label="t('class.which')"
                :choices="classes"
                :model-value="open.id"
                data-test="class"
                @update:model-value="go"
              />
              <IconButton icon="add" :label="t('class.new')" data-test="new-group" @click="making = true" />
              <div class="parts"><TabBar v-model="part" :tabs="tabs" :label="t('class.tabs')" /></div>
              <AppButton
                v-if="part === 'people' && !open.endedAt"
                tone="main"
                icon="add"
                data-test="add-students"
                @click="adding = true"
                >{{ t('class.add') }}</AppButton
              >
              <AppButton icon="lesson" :to="`/lesson/${open.id}`" data-test="lesson">{{
                t('class.lesson')
              }}</AppButton>
            </header>
            <JoinRequests v-if="!open.endedAt" class="screen" :group="open" />
            <TermPart v-if="part === 'term'" :key="open.id" :group="open.id" />
            <MarksPart v-else-if="part === 'marks'" :key="open.id" :group="open.id" />
            <template v-else-if="part === 'people'">
              <MemberTable :group="open" @add="adding = true" />
              <FormerMembers v-if="open.former.length" :group="open" />
            </template>
            <template v-else-if="part === 'settings'">
              <GroupSettings :key="open.id" :group="open" />
              <EndOfTerm :key="`e${open.id}`" :group="open" />
            </template>
            <TrailList v-else :key="`t${open.id}`" :group="open.id" />
          </template>
        </template>
      </template>
    </RoomState>
  </main>
  <AddStudents v-model="adding" />
  <NewGroupForm v-model="making" @made="made" />
</template>

<style scoped>
.class-page {
  display: grid;
  gap: var(--space-4);
  align-content: start;
  width: min(1180px, 100%);
  margin: 0 auto;
  padding: var(--space-4) var(--space-6) var(--space-6);
}

.term,
.marks {
  width: min(1680px, 100%);
}

.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
}

.which {
  flex: 0 1 250px;
}

.parts {
  flex: 1 1 auto;
  min-width: 0;
}

@media (max-width: 600px) {
  .class-page {
    padding: var(--space-3);
  }
}

@media print {
  .screen {
    display: none;
  }

  .class-page {
    display: block;
    width: 100%;
    padding: 0;
  }
}
</style>
