<script setup lang="ts">
/** Remarks that are used again: those that fit what was found come first. Their figures are filled in as they are taken. */
import { mistakeName } from '@rudlo/core/mistakes'
import { fillRemark, type BankRemark, type Figures } from '@rudlo/core/remarks'
import { computed, onMounted, ref } from 'vue'
import { useBank } from './bank-store'
import { attempt } from '../../ui/forms/attempt'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

const props = defineProps<{
  /** Kinds of mistakes that were found, worst first. */
  mistakes: readonly string[]
  figures: Figures
}>()
const emit = defineEmits<{ take: [text: string] }>()

const bank = useBank()
const review = useReview()
const search = ref('')
const all = ref(false)
/** Whether the remarks themselves are changed, with the names of their figures in braces. */
const changing = ref(false)
const SHOWN = 4

const fitting = computed(() => bank.suggested(props.mistakes, search.value))
const shown = computed(() =>
  all.value || changing.value || search.value ? fitting.value : fitting.value.slice(0, SHOWN),
)

function change(remark: BankRemark, text: string): void {
  const kept = text.trim()
  if (kept && kept !== remark.text) void act(() => bank.change(remark, kept))
}

const act = (what: () => Promise<unknown>) => attempt(what, review.tell)
onMounted(() => act(bank.load))
</script>

<template>
  <section class="bank" :aria-label="t('bank.title')" data-test="bank">
    <TextField v-model="search" compact :label="t('bank.search')" data-test="bank-search" />
    <p v-if="bank.loaded && !bank.remarks.length" class="soft">
      {{ t('bank.empty') }}
      <AppButton small data-test="usual-remarks" @click="act(bank.addUsual)">
        {{ t('bank.start') }}
      </AppButton>
    </p>
    <p v-else-if="!shown.length" class="soft">{{ t('bank.none') }}</p>
    <p v-if="changing" class="soft">{{ t('bank.fill') }}</p>
    <ul>
      <li v-for="r in shown" :key="r.id">
        <template v-if="changing">
          <TextField
            class="words"
            bare
            :model-value="r.text"
            maxlength="2000"
            :label="t('bank.words')"
            data-test="bank-words"
            @change="change(r, ($event.target as HTMLInputElement).value)"
          />
          <IconButton
            icon="remove"
            :label="t('bank.remove', { text: r.text.slice(0, 40) })"
            data-test="bank-drop"
            @click="act(() => bank.drop(r.id))"
          />
        </template>
        <RowButton
          v-else
          class="take"
          data-test="bank-remark"
          @click="emit('take', fillRemark(r.text, figures))"
        >
          <b v-if="r.mistake && mistakes.includes(r.mistake)">{{ mistakeName(r.mistake) }}: </b
          >{{ fillRemark(r.text, figures) }}
        </RowButton>
      </li>
    </ul>
    <p v-if="bank.remarks.length" class="ways">
      <RowButton v-if="fitting.length > SHOWN && !search && !changing" class="more" @click="all = !all">
        {{ all ? t('bank.fewer') : t('bank.all', { count: fitting.length }) }}
      </RowButton>
      <RowButton class="more" data-test="bank-change" @click="changing = !changing">
        {{ changing ? t('ui.done') : t('bank.edit') }}
      </RowButton>
    </p>
  </section>
</template>

<style scoped>
.bank {
  display: grid;
  gap: 6px;
  font-size: 14px;
}

ul {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
}

.take {
  flex: 1;
  min-height: 32px;
  padding: 4px 8px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  line-height: 1.3;
  text-align: left;
  cursor: pointer;
}

.take:hover {
  background: var(--wash);
}

.drop,
.more {
  min-height: 32px;
  border: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  cursor: pointer;
}

.more {
  text-decoration: underline;
}

.ways {
  display: flex;
  gap: 12px;
}

.words {
  flex: 1;
  min-width: 0;
}
</style>
