<script setup lang="ts">
/** What could be taught next, from what most have not got yet, ready to give out. */
import type { NextLesson } from '@rudlo/core/term'
import { mistakeName } from '@rudlo/core/mistakes'
import { kindOf } from '@rudlo/core/checks'
import { words } from '@rudlo/words'
import { computed, ref } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { t } from '../../../words/t'
import GiveLesson from '../../../desk/term/GiveLesson.vue'

const props = defineProps<{ next: readonly NextLesson[]; group: string }>()

const at = ref(0)
const giving = ref(false)
const shown = computed(() => props.next[at.value] ?? null)
const about = (n: NextLesson) => (n.about === 'check' ? kindOf(n.kind).name : mistakeName(n.kind))
</script>

<template>
  <PageSection :title="t('term.next')">
    <p v-if="!shown" class="soft">{{ t('term.next.none') }}</p>
    <template v-else>
      <p>
        {{
          t(shown.about === 'check' ? 'term.next.check' : 'term.next.mistake', {
            n: shown.students.length,
            of: shown.of,
            what: about(shown),
          })
        }}
      </p>
      <p>
        <b>{{ words(`lesson.${shown.lesson}`) }}</b>
      </p>
      <div class="acts">
        <AppButton tone="main" data-test="give-lesson" @click="giving = true">{{
          t('term.next.give')
        }}</AppButton>
        <AppButton
          v-if="next.length > 1"
          tone="quiet"
          data-test="other-lesson"
          @click="at = (at + 1) % next.length"
          >{{ t('term.next.other') }}</AppButton
        >
      </div>
      <GiveLesson v-model="giving" :lesson="shown.lesson" :group="group" />
    </template>
  </PageSection>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
