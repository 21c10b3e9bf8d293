<script setup lang="ts">
/** A new group: its name, and where it meets. */
import { ref } from 'vue'
import { useForm } from '../../ui/forms/use-form'
import { useClass } from './class-store'
import AppButton from '../../ui/buttons/AppButton.vue'

const emit = defineEmits<{ made: [id: string]; leave: [] }>()
const store = useClass()
const name = ref('')
const place = ref('')
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/people').then((m) => m.NewGroup),
  async (group) => emit('made', await store.create(group.name, group.place)),
)
</script>

<template>
  <form @submit.prevent="submit({ name, place })">
    <v-text-field
      v-model="name"
      label="Name of the group"
      autofocus
      density="compact"
      :error-messages="fault('name')"
    />
    <v-text-field v-model="place" label="Where it meets" density="compact" :error-messages="fault('place')" />
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="acts">
      <AppButton tone="main" type="submit" :busy="busy" data-test="make-group"
        >Make it</AppButton>
      <AppButton tone="quiet" @click="emit('leave')">Cancel</AppButton>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  padding-top: 8px;
}

.acts {
  display: flex;
  gap: 6px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
