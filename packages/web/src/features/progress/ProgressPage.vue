<script setup lang="ts">
/** A student’s own way through the term: what works by now, what to listen for next, and the best of it to hear and to take home. */
import type { StudentTerm } from '@rudlo/contract/term'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import StudentTermView from '../../desk/term/StudentTermView.vue'
import { usePlayer } from '../../engine/player-store'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RoomPage from '../../ui/page/RoomPage.vue'
import PageSection from '../../ui/page/PageSection.vue'
import SwitchField from '../../ui/fields/SwitchField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import { t } from '../../words/t'
import { headline } from './headline'
import { useTakeHome } from './take-home'

const terms = shallowRef<readonly StudentTerm[] | null>(null)
const at = ref(0)
const problem = ref('')
const player = usePlayer()
const { playing, busy, share, notice, hear, takeHome, stop } = useTakeHome()

const term = computed(() => terms.value?.[at.value] ?? null)
const heard = computed(() => term.value?.assignments.filter((a) => a.best) ?? [])

async function load(): Promise<void> {
  problem.value = ''
  try {
    terms.value = await told(server.term.$get())
  } catch (error) {
    problem.value = (error as Error).message
  }
}
/** Allows it to be shown, or no longer. */
async function allow(shares: boolean): Promise<void> {
  try {
    await told(server.term.sharing.$put({ json: { group: term.value!.group.id, shares } }))
  } catch (error) {
    notice.value = (error as Error).message
  }
  await load()
}
onMounted(load)
onBeforeUnmount(() => {
  stop()
  void player.close()
})
</script>

<template>
  <AppHeader />
  <RoomPage
    wide
    :title="t('progress.title')"
    :about="term ? headline(term) : undefined"
    :problem="problem"
    :loading="!terms"
    :empty="
      terms && !terms.some((x) => x.assignments.length)
        ? { title: t('progress.none'), text: t('progress.none.text') }
        : null
    "
    @again="load"
  >
    <template #acts>
      <SelectField
        v-if="terms && terms.length > 1"
        v-model="at"
        class="class"
        :label="t('home.class')"
        :choices="terms.map((x, value) => ({ value, text: x.group.name }))"
      />
      <AppButton
        v-if="heard.length"
        icon="files"
        :busy="busy"
        data-test="take-home"
        @click="takeHome(heard)"
        >{{
          busy ? t('progress.take.busy', { percent: Math.round(share * 100) }) : t('progress.take')
        }}</AppButton
      >
    </template>
    <StudentTermView v-if="term" own :term="term">
      <template #acts="{ assignment: a }">
        <p v-if="a.best">
          <AppButton
            small
            :icon="playing === a.best.handIn ? 'stop' : 'play'"
            :aria-pressed="playing === a.best.handIn"
            data-test="hear-best"
            @click="playing === a.best.handIn ? stop() : hear(a)"
            >{{
              playing === a.best.handIn
                ? t('progress.stop')
                : a.versions > 1
                  ? t('progress.hear.best', { number: a.best.number })
                  : t('progress.hear')
            }}</AppButton
          >
          <AppButton tone="quiet" small :to="`/bench/${a.assignment}`">{{ t('progress.open') }}</AppButton>
        </p>
      </template>
    </StudentTermView>
    <PageSection v-if="term" :title="t('progress.share')">
      <SwitchField
        :label="t('progress.share.label')"
        :model-value="term.shares"
        data-test="share"
        @update:model-value="(on: boolean) => allow(on)"
      />
    </PageSection>
    <NoticeBar v-model="notice" />
  </RoomPage>
</template>

<style scoped>
.class {
  flex: 0 1 240px;
}
</style>
