<script setup lang="ts">
/** A new class: its name, and the room where it meets. */
import { ref } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import TextField from '../../../ui/fields/TextField.vue'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { useForm } from '../../../ui/forms/use-form'
import { keepKeys } from '../../../ui/keys/keep-keys'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { t } from '../../../words/t'
import { useClass } from './class-store'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ made: [id: string] }>()
const store = useClass()
const name = ref('')
const place = ref('')
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/people').then((m) => m.NewGroup),
  async (group) => {
    emit('made', await store.create(group.name, group.place))
    open.value = false
    name.value = place.value = ''
  },
)
</script>

<template>
  <AppDialog v-model="open" :title="t('class.new')" :width="460">
    <form id="new-class" class="form" @submit.prevent="submit({ name, place })">
      <TextField
        v-model="name"
        :label="t('class.about.name')"
        :hint="t('class.about.name.hint')"
        autofocus
        :fault="fault('name')"
        @keydown="keepKeys"
      />
      <TextField
        v-model="place"
        :label="t('class.about.place')"
        :fault="fault('place')"
        @keydown="keepKeys"
      />
      <FormProblem :text="problem" />
    </form>
    <template #acts>
      <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
      <AppButton type="submit" form="new-class" tone="main" :busy="busy" data-test="make-group">{{
        t('class.create')
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: var(--space-4);
  padding-top: var(--space-2);
}
</style>
