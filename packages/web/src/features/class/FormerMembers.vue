<script setup lang="ts">
/** Who was taken out of a class: what they made is looked after here, and they can be taken in again. */
import { ref } from 'vue'
import { whenText } from '../../words/dates'
import type { FormerView, GroupView } from '@rudlo/contract/people'
import { useClass } from './class-store'
import AppButton from '../../ui/buttons/AppButton.vue'

defineProps<{ group: GroupView }>()

const store = useClass()
/** Who is to be erased, asked once more. */
const erasing = ref<FormerView | null>(null)

async function erase(): Promise<void> {
  const student = erasing.value
  erasing.value = null
  if (student) await store.erase(student.id)
}
</script>

<template>
  <section class="sheet former screen" aria-labelledby="former-title" data-test="former">
    <h2 id="former-title">No longer in this class</h2>
    <p class="soft">They cannot open anything of this class. Their work is still here.</p>
    <v-list>
      <v-list-item v-for="f in group.former" :key="f.id" :title="f.name">
        <template #subtitle>
          {{ f.role === 'teacher' ? 'Teacher' : f.signIn }}, taken out {{ whenText(f.leftAt) }}
        </template>
        <template #append>
          <div class="acts">
            <AppButton small data-test="take-in" @click="store.takeInAgain(f.id)"
              >Take in again</AppButton>
            <template v-if="f.role === 'student'">
              <AppButton tone="quiet" small @click="store.resetFormer(f.id)">Reset password</AppButton>
              <AppButton tone="quiet" small :href="`/api/people/${f.id}/everything`" download
                >Download work</AppButton>
              <AppButton tone="quiet" small data-test="erase-former" @click="erasing = f">Erase …</AppButton>
            </template>
          </div>
        </template>
      </v-list-item>
    </v-list>
    <v-dialog
      :model-value="erasing !== null"
      max-width="480"
      aria-label="Erase for good"
      @update:model-value="erasing = null"
    >
      <div v-if="erasing" class="sheet ask">
        <h2>Erase {{ erasing.name }}?</h2>
        <p>
          Their works, everything handed in and everything said about it, their name and their password are
          gone for good. Backups made before still hold them.
        </p>
        <div class="acts end">
          <AppButton tone="quiet" @click="erasing = null">Cancel</AppButton>
          <AppButton tone="main" data-test="erase-for-good" @click="erase"
            >Erase for good</AppButton>
        </div>
      </div>
    </v-dialog>
  </section>
</template>

<style scoped>
.former {
  display: grid;
  gap: 6px;
  padding: 16px 20px;
}

h2 {
  font-size: 18px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

/* a button that is a link is as large as one that is none */
.acts :deep(.v-btn) {
  font-size: 14px;
}

.former :deep(.v-list-item) {
  padding-inline: 0;
}

.end {
  justify-content: flex-end;
}

.ask {
  display: grid;
  gap: 14px;
  padding: 24px 26px;
}
</style>
