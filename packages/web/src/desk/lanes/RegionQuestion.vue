<script setup lang="ts">
/** Asks, where a region was dropped, whether the lines in its span go along; what is pointed at is shown. */
import { onMounted, ref } from 'vue'
import type { Along } from './region-moves'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import CheckField from '../../ui/fields/CheckField.vue'

defineProps<{ copy: boolean }>()
const remember = defineModel<boolean>('remember', { required: true })
const emit = defineEmits<{ show: [how: Along]; answer: [how: Along]; cancel: [] }>()

const CHOICES: readonly { readonly how: Along; readonly text: string }[] = [
  { how: 'moved', text: t('region.lines.move') },
  { how: 'copied', text: t('region.lines.copy') },
  { how: 'left', text: t('region.lines.leave') },
]
const first = ref<{ $el: HTMLElement }[]>()
onMounted(() => first.value?.[0]?.$el.focus())
</script>

<template>
  <div
    class="sheet question"
    role="alertdialog"
    :aria-label="t('region.lines.title')"
    data-test="region-question"
    @pointerdown.stop
    @keydown.esc.stop="emit('cancel')"
  >
    <p><b>{{ t(copy ? 'region.copied' : 'region.moved') }}</b> {{ t('region.lines.text') }}</p>
    <p class="choices">
      <AppButton
        v-for="c in CHOICES"
        ref="first"
        :key="c.how"
        small
        :data-test="`along-${c.how}`"
        @pointerenter="emit('show', c.how)"
        @focus="emit('show', c.how)"
        @click="emit('answer', c.how)"
      >
        {{ c.text }}
      </AppButton>
      <AppButton small @click="emit('cancel')">{{ t('region.undo') }}</AppButton>
    </p>
    <CheckField v-model="remember" :label="t('region.always')" />
  </div>
</template>

<style scoped>
.question {
  position: absolute;
  z-index: 7;
  bottom: 12px;
  left: 50%;
  display: grid;
  gap: 8px;
  width: max-content;
  max-width: 90%;
  padding: 12px 16px;
  transform: translateX(-50%);
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  font-size: 14px;
}
</style>
