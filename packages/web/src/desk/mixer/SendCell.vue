<script setup lang="ts">
/** A send in the balance: how much, whether it is on, and whether it leaves before or after the fader. */
import { removeSend, tapSend, type Send } from '@rudlo/core/mix'
import { useWork } from '../../document/work-store'
import ControlSlider from './ControlSlider.vue'
import SwitchButton from './SwitchButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ send: Send; owner: string; to: string }>()
const work = useWork()

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
    <v-menu :close-on-content-click="false">
      <template #activator="{ props: menu }">
        <RowButton
          v-bind="menu"
          class="more"
          :aria-label="t('send.more', { from: owner, to })"
          :tip="send.tap === 'pre' ? t('send.pre.short') : t('send.post.short')"
          data-test="send-more"
        >
          <template v-if="send.tap === 'pre'">{{ t('send.pre') }}</template><v-icon v-else icon="$more" size="20" />
        </RowButton>
      </template>
      <div class="sheet panel" role="group" :aria-label="t('send.label', { from: owner, to })">
        <p><b>{{ owner }}</b> {{ t('send.sent') }} <b>{{ to }}</b></p>
        <SwitchButton :address="`send/${send.id}/on`" :label="t('send.on.label', { from: owner, to })" :text="t('send.on')" />
        <label>
          <input
            type="radio"
            :checked="send.tap === 'post'"
            :name="send.id"
            data-test="tap-post"
            @change="tap('post')"
          />
          <span>{{ t('send.post') }}<small>{{ t('send.post.about') }}</small></span>
        </label>
        <label>
          <input
            type="radio"
            :checked="send.tap === 'pre'"
            :name="send.id"
            data-test="tap-pre"
            @change="tap('pre')"
          />
          <span
            >{{ t('send.pre.long') }}<small
              >{{ t('send.pre.about') }}</small
            ></span
          >
        </label>
        <AppButton small data-test="remove-send" @click="remove">{{ t('send.remove') }}</AppButton>
      </div>
    </v-menu>
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
  gap: 8px;
  justify-items: start;
  max-width: 340px;
  padding: 14px 18px;
}

label {
  display: flex;
  gap: 10px;
  align-items: start;
  min-height: 32px;
}

input {
  flex: none;
  width: 18px;
  height: 18px;
  margin-top: 2px;
  accent-color: var(--ink);
}

small {
  display: block;
  color: var(--soft);
  font-size: 13px;
}
</style>
