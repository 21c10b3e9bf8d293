<script setup lang="ts">
/** Who was taken out of a class: what they made is looked after here, and they can be taken in again. */
import type { FormerView, GroupView } from '@rudlo/contract/people'
import { ref, useTemplateRef } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import AskDialog from '../../../ui/overlays/AskDialog.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useClass } from './class-store'

defineProps<{ group: GroupView }>()

const store = useClass()
/** Who is to be erased, asked once more. */
const erasing = ref<FormerView | null>(null)
const asked = useTemplateRef('asked')

async function erase(student: FormerView): Promise<void> {
  erasing.value = student
  if (await asked.value!.ask()) await store.erase(student.id)
}
</script>

<template>
  <PageSection class="screen" :title="t('class.former')" :about="t('class.former.about')" data-test="former">
    <ul class="plain-list">
      <li v-for="f in group.former" :key="f.id">
        <span class="who"
          ><b>{{ f.name }}</b
          ><span class="soft">{{
            t('class.former.left', {
              who: f.role === 'teacher' ? t('class.former.teacher') : f.signIn,
              when: whenText(f.leftAt),
            })
          }}</span></span
        >
        <AppButton small data-test="take-in" @click="store.takeInAgain(f.id)">{{
          t('class.former.back')
        }}</AppButton>
        <template v-if="f.role === 'student'">
          <AppButton small tone="quiet" @click="store.resetFormer(f.id)">{{ t('class.reset') }}</AppButton>
          <AppButton small tone="quiet" :href="`/api/people/${f.id}/everything`" download>{{
            t('class.download')
          }}</AppButton>
          <AppButton small tone="quiet" data-test="erase-former" @click="erase(f)">{{
            t('class.former.erase')
          }}</AppButton>
        </template>
      </li>
    </ul>
    <AskDialog
      ref="asked"
      name="erase-for-good"
      :title="t('class.former.erase.title', { name: erasing?.name ?? '' })"
      :text="t('class.former.erase.text')"
      :yes="t('class.erase')"
      :no="t('ui.cancel')"
    />
  </PageSection>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  align-items: center;
  padding: var(--space-1) 0;
}

.who {
  display: grid;
  flex: 1;
  min-width: 200px;
}
</style>
