<script setup lang="ts">
/** Who wants to join a class, and who was let in under another name than they asked for. */
import type { GroupView } from '@rudlo/contract/people'
import { plainName } from '@rudlo/core/song'
import { computed } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { t } from '../../../words/t'
import { useClass } from './class-store'

// what it is asked to be is so for both of its parts
defineOptions({ inheritAttrs: false })
const props = defineProps<{ group: GroupView }>()
const store = useClass()
/** Requests that are listed one by one. */
const SHOWN = 40
/** Who of the class, or of those who were in it, has this name too: asking twice is more common than a second one of that name. */
function alikeOf(name: string): string {
  const has = (p: { readonly name: string }) => plainName(p.name) === plainName(name)
  const here = props.group.students.find(has)
  if (here) return t('class.requests.alike', { signIn: here.signIn })
  const before = props.group.former.find((f) => f.role === 'student' && has(f))
  return before ? t('class.requests.alike.former', { signIn: before.signIn }) : ''
}
const everybody = computed(() => props.group.requests.map((r) => r.id))
</script>

<template>
  <PageSection
    v-if="group.requests.length"
    v-bind="$attrs"
    :title="t('class.requests', { n: group.requests.length })"
  >
    <ul class="plain-list">
      <li v-for="r in group.requests.slice(0, SHOWN)" :key="r.id">
        <span class="who"
          >{{ r.name }} <span class="soft">{{ r.signIn }}</span>
          <span v-if="alikeOf(r.name)" class="alike" data-test="alike">{{ alikeOf(r.name) }}</span></span
        >
        <AppButton small data-test="let-in" @click="store.answer([r.id], true)">{{
          t('class.requests.in')
        }}</AppButton>
        <AppButton small tone="quiet" @click="store.answer([r.id], false)">{{
          t('class.requests.no')
        }}</AppButton>
      </li>
    </ul>
    <p v-if="group.requests.length > SHOWN" class="soft">
      {{ t('class.requests.more', { count: group.requests.length - SHOWN }) }}
    </p>
    <template v-if="group.requests.length > 1" #acts>
      <AppButton small @click="store.answer(everybody, true)">{{ t('class.requests.all') }}</AppButton>
      <AppButton small tone="quiet" data-test="refuse-all" @click="store.answer(everybody, false)">{{
        t('class.requests.none')
      }}</AppButton>
    </template>
  </PageSection>
  <PageSection
    v-if="store.renamed.length"
    v-bind="$attrs"
    role="status"
    :title="t('class.renamed')"
    :about="t('class.renamed.text')"
    data-test="renamed"
  >
    <p v-for="r in store.renamed" :key="r.signIn">{{ t('class.renamed.entry', { ...r }) }}</p>
    <template #acts><AppButton small @click="store.renamed = []">{{ t('ui.done') }}</AppButton></template>
  </PageSection>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-1) 0;
}

.who {
  flex: 1;
}

.alike {
  display: block;
  color: var(--warm);
  font-size: var(--text-1);
}
</style>
