<script setup lang="ts">
/** The first sign-in with a password from a card: an own one is chosen before anything else. */
import { computed, ref } from 'vue'
import { useForm } from '../../ui/use-form'
import DoorPage from './DoorPage.vue'
import { useSession } from '../../api/session-store'

const session = useSession()
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/access').then((m) => m.OwnPassword),
  ({ password }) => session.choosePassword(password),
)
const password = ref('')
const again = ref('')
const differ = computed(() => again.value !== '' && again.value !== password.value)
</script>

<template>
  <DoorPage
    :title="`Hello ${session.person?.name.split(' ')[0]}`"
    :problem="problem"
    @submit="submit({ password })"
  >
    <p class="soft">Choose a password of your own. The one on the card is of no use afterwards.</p>
    <v-text-field
      v-model="password"
      label="Your password, 8 characters or more"
      type="password"
      autocomplete="new-password"
      :error-messages="fault('password')"
    />
    <v-text-field v-model="again" label="Once more" type="password" autocomplete="new-password" />
    <p v-if="differ" class="differ" role="status">The two are not the same yet.</p>
    <template #ways>
      <v-btn type="submit" color="primary" variant="flat" :loading="busy" :disabled="again !== password"
        >Keep it</v-btn
      >
      <v-btn variant="text" @click="session.signOut()">That is not me</v-btn>
    </template>
  </DoorPage>
</template>

<style scoped>
.differ {
  color: var(--warm);
  font-weight: 560;
}
</style>
