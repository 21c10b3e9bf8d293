<script setup lang="ts">
/** What a list says beside who is known: new, already here, renamed, from another class, of the same name, and gone. */
import type { RosterAnswer } from '@rudlo/contract/people'
import type { Match, MatchedRow } from '@rudlo/core/roster'
import { computed } from 'vue'
import CheckField from '../../../ui/fields/CheckField.vue'
import { t } from '../../../words/t'

const props = defineProps<{ preview: RosterAnswer }>()
/** Lines whose person is the one of the same name. */
const same = defineModel<readonly number[]>('same', { required: true })
/** Those who are to be taken out. */
const leaves = defineModel<readonly string[]>('leaves', { required: true })

const of = (kind: Match['kind']) => props.preview.rows.filter((r) => r.match.kind === kind)
const fresh = computed(() => of('new'))
const here = computed(() => of('here'))
const renamed = computed(() => of('renamed'))
const elsewhere = computed(() => of('elsewhere'))
const alike = computed(() => of('alike'))
const names = (rows: readonly MatchedRow[]) =>
  rows.map((r) => (r.signIn ? `${r.name} (${r.signIn})` : r.name)).join(', ')
const beforeOf = ({ match }: MatchedRow) => (match.kind === 'renamed' ? match.before : '')
const signInOf = ({ match }: MatchedRow) => (match.kind === 'alike' ? match.signIn : '')

const toggled = <T>(list: readonly T[], one: T, on: boolean) =>
  on ? [...list, one] : list.filter((x) => x !== one)
</script>

<template>
  <div class="roster-preview">
    <p v-if="fresh.length" data-test="match-new">
      <b>{{ t('class.add.match.new', { n: fresh.length }) }}</b> {{ names(fresh) }}
    </p>
    <p v-if="here.length" class="soft" data-test="match-here">
      {{ t('class.add.match.here', { n: here.length }) }}
    </p>
    <p v-if="renamed.length" data-test="match-renamed">
      <b>{{ t('class.add.match.renamed') }}</b>
      {{
        renamed
          .map((r) => t('class.add.match.renamed.entry', { before: beforeOf(r), name: r.name }))
          .join(', ')
      }}
    </p>
    <p v-if="elsewhere.length" data-test="match-elsewhere">
      <b>{{ t('class.add.match.elsewhere') }}</b> {{ names(elsewhere) }}
    </p>
    <section v-if="alike.length" data-test="match-alike">
      <b>{{ t('class.add.match.alike') }}</b>
      <CheckField
        v-for="r in alike"
        :key="r.line"
        :label="t('class.add.match.alike.entry', { name: r.name, signIn: signInOf(r) })"
        :model-value="same.includes(r.line)"
        @update:model-value="(on) => (same = toggled(same, r.line, on))"
      />
    </section>
    <section v-if="preview.gone.length" data-test="match-gone">
      <b>{{ t('class.add.match.gone') }}</b>
      <CheckField
        v-for="g in preview.gone"
        :key="g.id"
        :label="`${g.name} (${g.signIn})`"
        :model-value="leaves.includes(g.id)"
        @update:model-value="(on) => (leaves = toggled(leaves, g.id, on))"
      />
    </section>
  </div>
</template>

<style scoped>
.roster-preview {
  display: grid;
  gap: var(--space-2);
}
</style>
