<script setup lang="ts">
/** A send in the balance: how much, whether it is on, and whether it leaves before or after the fader. */
import { removeSend, tapSend, type Send } from '@rudlo/core/mix'
import { useWork } from '../../document/work-store'
import ControlSlider from './ControlSlider.vue'
import SwitchButton from './SwitchButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import { t } from '../../words/t'

const props = defineProps<{ send: Send; owner: string; to: string }>()
const work = useWork()

const TAPS = [
  { value: 'post', text: t('send.post'), about: t('send.post.about'), test: 'tap-post' },
  { value: 'pre', text: t('send.pre.long'), about: t('send.pre.about'), test: 'tap-pre' },
] as const

const change = (label: string) => ({
  label: t('send.did', { what: label, from: props.owner, to: props.to }),
  lanes: [],
  from: 0,
  to: 0,
})
const tap = (to: Send['tap']) =>
  work.setMix(
    (m) => tapSend(m, props.send.id, to),
    change(to === 'pre' ? t('send.did.pre') : t('send.did.post')),
  )
const remove = () => work.setMix((m) => removeSend(m, props.send.id), change(t('send.did.removed')))
</script>

<template>
  <div class="cell" :class="{ off: !send.on }">
    <ControlSlider :address="`send/${send.id}/level`" :label="t('send.label', { from: owner, to })" />
    <AppMenu stays :label="t('send.label', { from: owner, to })">
      <template #opener="{ opener: menu }">
        <RowButton
          v-bind="menu"
          class="more"
          :aria-label="t('send.more', { from: owner, to })"
          :tip="send.tap === 'pre' ? t('send.pre.short') : t('send.post.short')"
          data-test="send-more"
        >
          <template v-if="send.tap === 'pre'">{{ t('send.pre') }}</template
          ><v-icon v-else icon="$more" size="20" />
        </RowButton>
      </template>
      <div class="panel">
        <p><b>{{ t('send.label', { from: owner, to }) }}</b></p>
        <SwitchButton
          :address="`send/${send.id}/on`"
          :label="t('send.on.label', { from: owner, to })"
          :text="t('send.on')"
        />
        <RadioList
          :model-value="send.tap"
          :label="t('send.more', { from: owner, to })"
          :choices="TAPS"
          @update:model-value="tap"
        />
        <AppButton small data-test="remove-send" @click="remove">{{ t('send.remove') }}</AppButton>
      </div>
    </AppMenu>
  </div>
</template>

<style scoped>
.cell {
  display: grid;
  grid-template-columns: minmax(60px, 1fr) 32px;
  align-items: center;
}

.off :deep(.slider) {
  opacity: 0.45;
}

.more {
  min-width: 32px;
  min-height: 32px;
  padding: 0;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}

.more:hover {
  background: var(--wash);
  color: var(--ink);
}

.panel {
  display: grid;
  gap: var(--space-2);
  justify-items: start;
  max-width: 340px;
}
</style>
