<script setup lang="ts">
/** Chooses one student, for what is then done for several at once. */
import { computed } from 'vue'
import CheckField from '../../../ui/fields/CheckField.vue'
import { t } from '../../../words/t'
import { useTerm } from './term-store'

const props = defineProps<{ student: { readonly id: string; readonly name: string } }>()

const store = useTerm()
const chosen = computed({
  get: () => store.chosen.includes(props.student.id),
  set: (on) => store.choose(props.student.id, on),
})
</script>

<template>
  <CheckField v-model="chosen" bare :label="t('term.choose', { name: student.name })" data-test="choose" />
</template>
