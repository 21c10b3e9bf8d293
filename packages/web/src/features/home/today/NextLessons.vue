<script setup lang="ts">
/** The lesson that is next, with what most have not got yet. */
import { kindOf } from '@rudlo/core/checks'
import { mistakeName } from '@rudlo/core/mistakes'
import { words } from '@rudlo/words'
import { computed, ref } from 'vue'
import GiveLesson from '../../../desk/term/GiveLesson.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import type { ComingLesson } from './lessons'

const props = defineProps<{ lessons: readonly ComingLesson[] }>()

const giving = ref(false)
const shown = computed(() => props.lessons[0] ?? null)
const next = computed(() => shown.value?.group.next ?? null)
const about = computed(() =>
  next.value
    ? next.value.about === 'check'
      ? kindOf(next.value.kind).name
      : mistakeName(next.value.kind)
    : '',
)
</script>

<template>
  <PageSection v-if="shown" :title="t('today.lesson')" data-test="next-lesson">
    <p class="which">
      <b>{{ shown.group.name }}</b>
      <span class="soft">{{ shown.at ? whenText(shown.at.toISOString()) : t('today.lesson.no-time') }}</span>
    </p>
    <p v-if="next">
      {{
        t(next.about === 'check' ? 'term.next.check' : 'term.next.mistake', {
          n: next.students.length,
          of: next.of,
          what: about,
        })
      }}
      {{ t('today.lesson.idea', { lesson: words(`lesson.${next.lesson}`) }) }}
    </p>
    <p v-else class="soft">{{ t('term.next.none') }}</p>
    <section v-if="shown.group.smallGroups.length" data-test="small-groups">
      <b>{{ t('term.small') }}</b>
      <p v-for="(s, i) in shown.group.smallGroups" :key="i">
        {{ t('term.small.who', { title: s.title, names: s.students.map((x) => x.name).join(', ') }) }}
      </p>
    </section>
    <div class="acts">
      <AppButton v-if="next" tone="main" data-test="give-lesson" @click="giving = true">{{
        t('term.next.give')
      }}</AppButton>
      <AppButton :to="`/lesson/${shown.group.id}`" icon="lesson">{{ t('class.lesson') }}</AppButton>
      <AppButton v-if="!shown.at" tone="quiet" :to="`/class/${shown.group.id}/settings`">{{
        t('today.lesson.set')
      }}</AppButton>
    </div>
    <GiveLesson v-if="next" v-model="giving" :lesson="next.lesson" :group="shown.group.id" />
  </PageSection>
</template>

<style scoped>
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-3);
  align-items: baseline;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
