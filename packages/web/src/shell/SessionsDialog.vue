<script setup lang="ts">
/** Where somebody is signed in, and how that ends. */
import { ref, watch } from 'vue'
import { server, told } from '../api/client'
import { attempt } from '../ui/attempt'
import { whenText } from '../ui/dates'

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
  <v-dialog v-model="shown" max-width="560" aria-labelledby="sessions-title">
    <div class="sheet sessions" data-test="sessions">
      <h2 id="sessions-title">Where you are signed in</h2>
      <p class="soft">Sign out whatever you do not know, or have forgotten on another machine.</p>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <v-progress-linear v-else-if="!sessions" indeterminate />
      <v-list v-else lines="two">
        <v-list-item v-for="s in sessions" :key="s.id" :title="s.device || 'A browser'">
          <template #subtitle>Last used {{ whenText(s.seenAt) }}</template>
          <template #append>
            <span v-if="s.here" class="soft">this browser</span>
            <v-btn v-else size="small" variant="outlined" data-test="end-session" @click="end(s.id)"
              >Sign out</v-btn
            >
          </template>
        </v-list-item>
      </v-list>
      <v-btn class="done" variant="text" @click="shown = false">Close</v-btn>
    </div>
  </v-dialog>
</template>

<style scoped>
.sessions {
  display: grid;
  gap: 10px;
  padding: 24px 26px;
}

.sessions :deep(.v-list-item) {
  padding-inline: 0;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}

.done {
  justify-self: end;
}
</style>
