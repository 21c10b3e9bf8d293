<script setup lang="ts">
/** Where somebody is signed in, and how that ends. */
import { ref, watch } from 'vue'
import { server, told } from '../api/client'
import AppButton from '../ui/buttons/AppButton.vue'
import { attempt } from '../ui/forms/attempt'
import AppDialog from '../ui/overlays/AppDialog.vue'
import RoomState from '../ui/page/RoomState.vue'
import { whenText } from '../words/dates'
import { t } from '../words/t'

/** A session of one's own, as the server lists it. */
interface OwnSession {
  readonly id: string
  /** Kind of browser and system; empty where it is not known. */
  readonly device: string
  readonly begunAt: string
  readonly seenAt: string
  /** Whether it is this one. */
  readonly here: boolean
}

const shown = defineModel<boolean>({ required: true })
const sessions = ref<readonly OwnSession[] | null>(null)
const problem = ref('')
const tell = (sentence: string) => (problem.value = sentence)

const load = () =>
  attempt(async () => {
    sessions.value = await told(server.sessions.$get())
  }, tell)

const end = (id: string) =>
  attempt(async () => {
    await told(server.sessions[':session'].$delete({ param: { session: id } }))
    await load()
  }, tell)

watch(shown, (isShown) => {
  if (!isShown) return
  problem.value = ''
  void load()
})
</script>

<template>
  <AppDialog v-model="shown" :title="t('shell.sessions')" data-test="sessions">
    <p class="soft">{{ t('shell.sessions.text') }}</p>
    <RoomState :problem="problem" :loading="!sessions" @again="load">
      <template #room>
        <v-list lines="two">
          <v-list-item
            v-for="s in sessions"
            :key="s.id"
            class="entry"
            :title="s.device || t('shell.sessions.unknown')"
          >
            <template #subtitle>{{ t('shell.sessions.used', { when: whenText(s.seenAt) }) }}</template>
            <template #append>
              <span v-if="s.here" class="soft">{{ t('shell.sessions.here') }}</span>
              <AppButton v-else small data-test="end-session" @click="end(s.id)">{{
                t('shell.sign-out')
              }}</AppButton>
            </template>
          </v-list-item>
        </v-list>
      </template>
    </RoomState>
  </AppDialog>
</template>

<style scoped>
.entry {
  padding-inline: 0;
}
</style>
