<script setup lang="ts">
/** A lesson: who is in and on which task, who wants help, one work live, and "everybody look here". */
import { songTime } from '@rudlo/core/song'
import { onKeyStroke } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { attempt } from '../../ui/forms/attempt'
import AppHeader from '../../shell/AppHeader.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import LiveWork from './LiveWork.vue'
import MoveDemo from './MoveDemo.vue'
import { useClassroomNews } from './classroom-news'
import { useLesson } from './lesson-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

const props = defineProps<{ group: string }>()

const lesson = useLesson()
const wide = ref(false)
const bar = ref('')

watch(
  () => props.group,
  (id) => lesson.open(id),
  { immediate: true },
)
useClassroomNews()

const present = computed(() => lesson.list.filter((s) => s.here))
/** The assignment that most work on: what everybody is brought to. */
const common = computed(() => {
  const counts = new Map<string, number>()
  for (const { assignment } of present.value)
    if (assignment) counts.set(assignment, (counts.get(assignment) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? lesson.assignments[0]?.id ?? null
})

/** On the projector is a move, or the work of somebody who allows it: when they no longer do, it ends at once. */
const projector = computed(() => wide.value && (lesson.shown !== null || lesson.student?.shows === true))

/** Shows a move on the song that most work on, or puts it away. */
const showMove = () => (lesson.shown ? lesson.endShow() : lesson.show(common.value ?? ''))

async function everybody(): Promise<void> {
  const at = Number(bar.value)
  if (!common.value || !Number.isInteger(at) || at < 1) return
  const assignment = common.value
  const told = (sentence: string) => (lesson.problem = sentence)
  await attempt(async () => {
    const { meter, length } = songTime((await lesson.view(assignment)).songDocument)
    const from = meter.barStart(at)
    if (from >= length) throw new Error(t('lesson.no-bar', { bars: meter.placeAt(length - 1).bar }))
    await lesson.pointAt(assignment, { lane: null, from, to: Math.min(length, meter.barStart(at + 1)) }, null)
  }, told)
}

const stateOf = (s: (typeof lesson.list)[number]) =>
  !s.here ? t('lesson.away') : s.idle ? t('lesson.idle', { minutes: s.idle }) : t('lesson.working')
/** Those who are here come first, each group by name. */
const everyone = computed(() =>
  [...lesson.list].sort((a, b) => Number(b.here) - Number(a.here) || a.name.localeCompare(b.name)),
)
onKeyStroke('Escape', () => {
  if (wide.value) wide.value = false
})
</script>

<template>
  <div class="lesson">
    <AppHeader
      v-if="!projector"
      :before="t('lesson.room')"
      :title="
        lesson.known ? t('lesson.present', { here: present.length, of: lesson.list.length }) : undefined
      "
    >
      <AppButton
        v-if="common"
        small
        icon="lesson"
        :aria-pressed="lesson.shown !== null"
        data-test="show-move"
        @click="showMove"
        >{{ t('lesson.demonstrate') }}</AppButton
      >
      <form class="all" @submit.prevent="everybody">
        <TextField
          v-model="bar"
          class="bar"
          bare
          :label="t('lesson.look')"
          :placeholder="t('lesson.look')"
          inputmode="numeric"
          data-test="look-bar"
        />
        <AppButton small type="submit" :disabled="!bar" data-test="everybody">{{ t('lesson.go') }}</AppButton>
      </form>
    </AppHeader>
    <RoomState
      v-if="!lesson.known"
      class="blank"
      :problem="lesson.failed"
      loading
      @again="lesson.open(props.group)"
    />
    <div v-else class="room" :class="{ projector }">
      <nav v-if="!projector" :aria-label="t('lesson.students')">
        <h1 class="unseen">{{ t('lesson.room') }}</h1>
        <section v-if="lesson.hands.length" data-test="hands">
          <h2>{{ t('lesson.hands') }}</h2>
          <RowButton
            v-for="s in lesson.hands"
            :key="s.id"
            class="who hand"
            data-test="hand"
            @click="lesson.look(s.id)"
          >
            <b>{{ s.name }}</b><span>{{ s.where }}</span>
          </RowButton>
        </section>
        <h2>{{ t('lesson.everybody') }}</h2>
        <p v-if="!lesson.list.length" class="soft">{{ t('lesson.nobody') }}</p>
        <RowButton
          v-for="s in everyone"
          :key="s.id"
          class="who"
          :class="{ away: !s.here }"
          :aria-current="s.id === lesson.looked"
          data-test="in-lesson"
          @click="lesson.look(s.id)"
        >
          <b>{{ s.name }}</b>
          <span>{{
            [s.here ? s.where : '', s.here ? s.doing : '', stateOf(s)].filter(Boolean).join(' · ')
          }}</span>
        </RowButton>
      </nav>
      <main>
        <MoveDemo
          v-if="lesson.shown"
          :key="lesson.shown.id"
          :assignment="lesson.shown"
          :projector="projector"
          @projector="(on) => (wide = on)"
          @close="lesson.endShow"
        />
        <RoomState
          v-else-if="!lesson.student"
          class="blank"
          :empty="{ title: t('lesson.choose'), text: t('lesson.choose.text') }"
        />
        <RoomState
          v-else-if="!lesson.mix"
          class="blank"
          :loading="lesson.coming"
          :empty="{
            title: lesson.student.name,
            text: t('lesson.not-started', { name: lesson.student.name }),
          }"
        />
        <LiveWork v-else :key="lesson.student.id" :projector="projector" @projector="(on) => (wide = on)" />
      </main>
    </div>
    <NoticeBar v-model="lesson.problem" />
  </div>
</template>

<style scoped>
.lesson {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
}

.room {
  display: grid;
  flex: 1;
  grid-template-columns: 290px minmax(0, 1fr);
  min-height: 0;
}

.room.projector {
  grid-template-columns: 1fr;
}

nav {
  display: grid;
  /* rows are as high as what they say, also where there are more than fit */
  grid-auto-rows: max-content;
  gap: 4px;
  align-content: start;
  padding: 14px 12px;
  overflow-y: auto;
  border-right: 1px solid var(--rule);
}

h2 {
  padding: 6px 10px 2px;
  color: var(--soft);
  font-size: 14px;
  font-weight: 560;
}

.who {
  display: grid;
  width: 100%;
  min-height: 44px;
  padding: 5px 10px;
  border: 0;
  border-radius: 9px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.who span {
  overflow-wrap: anywhere;
  font-size: var(--text-1);
}

.who:hover {
  background: var(--wash);
}

.who[aria-current='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.who.away:not([aria-current='true']) {
  color: var(--soft);
}

.hand {
  border-left: 4px solid var(--warm);
}

main {
  display: flex;
  min-width: 0;
  min-height: 0;
}

.blank {
  margin: auto;
}

.all {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 15px;
}

.bar {
  width: 190px;
}
</style>
