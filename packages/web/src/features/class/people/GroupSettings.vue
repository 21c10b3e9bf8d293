<script setup lang="ts">
/** Name and room, the join code, the teachers, and how long what is personal is kept. */
import type { GroupView } from '@rudlo/contract/people'
import { computed, ref } from 'vue'
import { now } from '../../../browser/clock'
import AppButton from '../../../ui/buttons/AppButton.vue'
import IconButton from '../../../ui/buttons/IconButton.vue'
import DateField from '../../../ui/fields/DateField.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import { typedTime } from '../../../ui/fields/school-time'
import TextField from '../../../ui/fields/TextField.vue'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { useForm } from '../../../ui/forms/use-form'
import PageSection from '../../../ui/page/PageSection.vue'
import { dayText, weekdayName } from '../../../words/dates'
import { t } from '../../../words/t'
import { useClass } from './class-store'

const props = defineProps<{ group: GroupView }>()

const store = useClass()
const name = ref(props.group.name)
const place = ref(props.group.place)
const keepUntil = ref(props.group.keepUntil)
const lessonDay = ref(props.group.lessonDay)
const lessonTime = ref(props.group.lessonTime ?? '')
/** The days of the week, Monday first, as this person calls them. */
const days = [null, 1, 2, 3, 4, 5, 6, 0].map((value) => ({
  value,
  text: value === null ? t('class.lesson.none') : weekdayName(value),
}))
const signIn = ref('')
const teacher = ref('')
const saved = ref(false)
const isOver = computed(() => props.group.keepUntil !== null && new Date(props.group.keepUntil) < now())

const about = useForm(
  () => import('@rudlo/contract/people').then((m) => m.ChangedGroup),
  async (changed) => void (saved.value = Boolean(await store.change(changed))),
)
const save = (joinOpen = props.group.joinOpen) => {
  saved.value = false
  return about.submit({
    name: name.value,
    place: place.value,
    joinOpen,
    keepUntil: keepUntil.value,
    lessonDay: lessonDay.value,
    lessonTime: lessonDay.value === null ? null : (typedTime(lessonTime.value) ?? lessonTime.value) || null,
  })
}

const teachers = useForm(
  () => import('@rudlo/contract/people').then((m) => m.NewTeacher),
  async (made) => {
    if (await store.addTeacher(made)) signIn.value = teacher.value = ''
  },
)
const addTeacher = () =>
  teachers.submit({
    signIn: signIn.value.trim().toLowerCase(),
    ...(teacher.value.trim() ? { name: teacher.value.trim() } : {}),
  })
</script>

<template>
  <PageSection :title="t('class.about')">
    <p v-if="isOver" class="over" role="status">
      {{ t('class.about.over', { date: dayText(new Date(group.keepUntil!)) }) }}
    </p>
    <form class="grid" @submit.prevent="save()">
      <TextField v-model="name" :label="t('class.about.name')" :fault="about.fault('name')" />
      <TextField v-model="place" :label="t('class.about.place')" :fault="about.fault('place')" />
      <SelectField
        v-model="lessonDay"
        :label="t('class.lesson.day')"
        :choices="days"
        :compact="false"
        data-test="lesson-day"
      />
      <TextField
        v-if="lessonDay !== null"
        v-model="lessonTime"
        :label="t('class.lesson.time')"
        :fault="about.fault('lessonTime')"
        data-test="lesson-time"
      />
      <DateField
        v-model="keepUntil"
        :label="t('class.about.keep')"
        :hint="t('class.about.keep.hint')"
        :fault="about.fault('keepUntil')"
      />
      <div>
        <AppButton type="submit" tone="main" :busy="about.busy.value" data-test="save-group">{{
          t('ui.save')
        }}</AppButton>
        <span v-if="saved" class="soft" role="status"> {{ t('class.about.saved') }}</span>
        <FormProblem :text="about.problem.value" />
      </div>
    </form>
  </PageSection>
  <PageSection :title="t('class.join')" :about="t(group.joinOpen ? 'class.join.about' : 'class.join.closed')">
    <template #acts>
      <AppButton data-test="toggle-join" @click="save(!group.joinOpen)">{{
        t(group.joinOpen ? 'class.join.stop' : 'class.join.allow')
      }}</AppButton>
    </template>
    <p v-if="group.joinOpen"><b class="code" data-test="join-code">{{ group.joinCode }}</b></p>
  </PageSection>
  <PageSection :title="t('class.teachers')">
    <ul class="plain-list">
      <li v-for="one in group.teachers" :key="one.id">
        <span class="who">{{ one.name }} <span class="soft">{{ one.signIn }}</span></span>
        <IconButton
          v-if="group.teachers.length > 1"
          icon="remove"
          :label="t('class.teachers.remove', { name: one.name })"
          @click="store.takeOut(one.id)"
        />
      </li>
    </ul>
    <form class="grid" @submit.prevent="addTeacher">
      <TextField
        v-model="signIn"
        :label="t('class.teachers.sign-in')"
        autocapitalize="off"
        :fault="teachers.fault('signIn')"
      />
      <TextField v-model="teacher" :label="t('class.teachers.name')" :fault="teachers.fault('name')" />
      <div>
        <AppButton type="submit" :busy="teachers.busy.value" data-test="add-teacher">{{
          t('class.teachers.add')
        }}</AppButton>
        <FormProblem :text="teachers.problem.value" />
      </div>
    </form>
  </PageSection>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: var(--space-3);
  align-items: start;
}

.over {
  color: var(--warm);
  font-weight: 560;
}

.code {
  padding: var(--space-1) var(--space-4);
  border-radius: var(--radius-s);
  background: var(--wash);
  font-size: var(--text-5);
  letter-spacing: 0.12em;
}

li {
  display: flex;
  align-items: center;
  min-height: var(--row);
}

.who {
  flex: 1;
}
</style>
