<script setup lang="ts">
/** The students of a class: what each did last, and what can be done for one. */
import type { Belongings, GroupView, MemberView } from '@rudlo/contract/people'
import { promiseTimeout } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { server, told } from '../../../api/client'
import AppButton from '../../../ui/buttons/AppButton.vue'
import IconButton from '../../../ui/buttons/IconButton.vue'
import RowButton from '../../../ui/buttons/RowButton.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { useForm } from '../../../ui/forms/use-form'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import AppMenu from '../../../ui/overlays/AppMenu.vue'
import AskDialog from '../../../ui/overlays/AskDialog.vue'
import MenuItem from '../../../ui/overlays/MenuItem.vue'
import RoomState from '../../../ui/page/RoomState.vue'
import type { Column } from '../../../ui/tables/column'
import DataTable from '../../../ui/tables/DataTable.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useClass } from './class-store'

const { group, patience = 600 } = defineProps<{
  group: GroupView
  /** What somebody has is not waited for longer than this before it is asked whether they are to be taken out, in ms. */
  patience?: number
}>()
const emit = defineEmits<{ add: [] }>()

const store = useClass()
const search = ref('')
const renaming = ref<string | null>(null)
const name = ref('')
const resetting = ref<MemberView | null>(null)
const asked = useTemplateRef('asked')
const leaving = ref<MemberView | null>(null)
const belongings = ref<Belongings | null>(null)

/** Somebody who goes to another class, or comes to it as well. */
const moving = ref<{ readonly student: MemberView; readonly leaves: boolean } | null>(null)
const target = ref('')
const others = computed(() =>
  (store.groups ?? []).filter((g) => g.id !== group.id).map((g) => ({ value: g.id, text: g.name })),
)
function begin(student: MemberView, leaves: boolean): void {
  moving.value = { student, leaves }
  target.value = others.value[0]?.value ?? ''
}
async function move(): Promise<void> {
  const { student, leaves } = moving.value!
  if (await store.takeIn(student.id, target.value, leaves ? group.id : undefined)) moving.value = null
}

const lastText = ({ last }: MemberView) =>
  last ? t(last.handedIn ? 'class.last.handed-in' : 'class.last.worked', { title: last.title }) : ''
const columns = computed<readonly Column<MemberView>[]>(() => [
  { key: 'name', title: t('class.name'), value: (s) => s.name },
  { key: 'signIn', title: t('class.sign-in'), value: (s) => s.signIn },
  { key: 'last', title: t('class.last'), value: (s) => s.last?.at ?? '' },
  { key: 'acts', title: '', width: 220, end: true },
])

const naming = useForm(
  () => import('@rudlo/contract/people').then((m) => m.StudentName),
  async (now) => {
    if (await store.rename(renaming.value!, now.name)) renaming.value = null
  },
)

async function reset(student: MemberView): Promise<void> {
  resetting.value = student
  if (await asked.value!.ask()) await store.resetPassword(student.id)
}

/** Who was asked about last: another answer that comes later is nobody's. */
let asking: MemberView | null = null

/** Asks once it is known what they have: a sentence that came later would move the buttons under the hand. */
async function askToErase(student: MemberView): Promise<void> {
  const known = told(server.people[':person'].belongings.$get({ param: { person: student.id } }))
  asking = student
  const found = await Promise.race([known.catch(() => null), promiseTimeout(patience).then(() => null)])
  if (asking !== student) return
  belongings.value = found
  leaving.value = student
}

async function leave(act: (id: string) => Promise<unknown>): Promise<void> {
  const student = leaving.value
  leaving.value = null
  if (student) await act(student.id)
}
</script>

<template>
  <section class="sheet members" :aria-label="t('class.tab.people')">
    <RoomState
      :empty="
        group.students.length
          ? null
          : { title: t('class.students.none'), text: t('class.students.none.text') }
      "
    >
      <AppButton tone="main" @click="emit('add')">{{ t('class.add') }}</AppButton>
      <template #room>
        <TextField
          v-if="group.students.length > 12"
          v-model="search"
          class="search"
          compact
          :label="t('class.search')"
        />
        <DataTable
          :label="t('class.students', { n: group.students.length })"
          :rows="group.students"
          :columns="columns"
          :search="search"
          sorted="name"
          test="student"
        >
          <template #name="{ row }">
            <form v-if="renaming === row.id" @submit.prevent="naming.submit({ name })">
              <TextField
                v-model="name"
                bare
                :label="t('class.name')"
                autofocus
                :fault="naming.fault('name') ?? naming.problem.value"
                @keydown.esc="renaming = null"
              />
            </form>
            <RowButton
              v-else
              class="name"
              :tip="t('class.rename', { name: row.name })"
              @click="((renaming = row.id), (name = row.name))"
              >{{ row.name }}</RowButton
            >
          </template>
          <template #signIn="{ row }">
            {{ row.signIn }}<span v-if="row.mustChange" class="soft"> · {{ t('class.first-password') }}</span>
          </template>
          <template #last="{ row }">
            <template v-if="row.last">
              {{ lastText(row) }}<span class="soft when">{{ whenText(row.last.at) }}</span>
            </template>
            <span v-else class="soft">{{ t('class.last.none') }}</span>
          </template>
          <template #acts="{ row }">
            <span class="acts">
              <AppButton small data-test="reset-password" @click="reset(row)">{{
                t('class.reset')
              }}</AppButton>
              <AppMenu :label="t('class.more', { name: row.name })">
                <template #opener="{ opener }"
                  ><IconButton
                    v-bind="opener"
                    icon="more"
                    :label="t('class.more', { name: row.name })"
                    data-test="student-more"
                /></template>
                <v-list-item
                  :href="`/api/people/${row.id}/everything`"
                  download
                  :title="t('class.download')"
                  role="menuitem"
                />
                <template v-if="others.length">
                  <MenuItem data-test="move" @click="begin(row, true)">{{ t('class.move') }}</MenuItem>
                  <MenuItem data-test="also-in" @click="begin(row, false)">{{ t('class.also') }}</MenuItem>
                </template>
                <MenuItem data-test="leave" @click="askToErase(row)">{{ t('class.remove') }}</MenuItem>
              </AppMenu>
            </span>
          </template>
        </DataTable>
      </template>
    </RoomState>
    <AskDialog
      ref="asked"
      name="reset"
      :title="t('class.reset.title', { name: resetting?.name ?? '' })"
      :text="t('class.reset.text', { name: resetting?.name ?? '' })"
      :yes="t('class.reset.yes')"
      :no="t('ui.cancel')"
    />
    <AppDialog
      :model-value="moving !== null"
      :title="
        moving
          ? t(moving.leaves ? 'class.move.title' : 'class.also.title', { name: moving.student.name })
          : ''
      "
      @update:model-value="moving = null"
    >
      <p class="soft">{{ t(moving?.leaves ? 'class.move.text' : 'class.also.text') }}</p>
      <SelectField
        v-model="target"
        :label="t('class.which')"
        :choices="others"
        :compact="false"
        data-test="move-to"
      />
      <template #acts>
        <AppButton tone="main" :disabled="!target" data-test="move-now" @click="move">{{
          t(moving?.leaves ? 'class.move.do' : 'class.also.do')
        }}</AppButton>
      </template>
    </AppDialog>
    <AppDialog
      :model-value="leaving !== null"
      :title="t('class.remove.title', { name: leaving?.name ?? '' })"
      data-test="leaving"
      @update:model-value="leaving = null"
    >
      <p>{{ t('class.remove.text') }}</p>
      <p v-if="belongings">
        {{
          t('class.erase.text', {
            works: belongings['works'] ?? 0,
            handIns: belongings['handIns'] ?? 0,
            tries: belongings['tries'] ?? 0,
            replies: belongings['replies'] ?? 0,
          })
        }}
      </p>
      <template #acts>
        <AppButton tone="quiet" :href="`/api/people/${leaving?.id}/everything`" download>{{
          t('class.erase.download')
        }}</AppButton>
        <span class="push" />
        <AppButton tone="danger" data-test="erase" @click="leave(store.erase)">{{
          t('class.erase')
        }}</AppButton>
        <AppButton tone="quiet" @click="leaving = null">{{ t('ui.cancel') }}</AppButton>
        <AppButton tone="main" data-test="take-out" @click="leave(store.takeOut)">{{
          t('class.remove.yes')
        }}</AppButton>
      </template>
    </AppDialog>
  </section>
</template>

<style scoped>
.members {
  padding: var(--space-2) var(--space-3);
}

.search {
  max-width: 280px;
  margin: var(--space-2);
}

.name {
  min-height: var(--target);
  font-weight: 600;
}

.name:hover {
  text-decoration: underline;
}

.when {
  display: block;
  font-size: var(--text-1);
}

.acts {
  display: inline-flex;
  gap: var(--space-1);
  align-items: center;
}

.push {
  flex: 1;
}
</style>
