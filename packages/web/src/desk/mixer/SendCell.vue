<script setup lang="ts">
/** A send in the balance: how much, whether it is on, and whether it leaves before or after the fader. */
import { removeSend, tapSend, type Send } from '@rudlo/core/mix'
import { useWork } from '../../document/work-store'
import ControlSlider from './ControlSlider.vue'
import SwitchButton from './SwitchButton.vue'

const props = defineProps<{ send: Send; owner: string; to: string }>()
const work = useWork()

const change = (label: string) => ({
  label: `${label}, ${props.owner} to ${props.to}`,
  lanes: [],
  from: 0,
  to: 0,
})
const tap = (to: Send['tap']) =>
  work.setMix(
    (m) => tapSend(m, props.send.id, to),
    change(to === 'pre' ? 'Send before the fader' : 'Send after the fader'),
  )
const remove = () => work.setMix((m) => removeSend(m, props.send.id), change('Removed the send'))
</script>

<template>
  <div class="cell" :class="{ off: !send.on }">
    <ControlSlider :address="`send/${send.id}/level`" :label="`Send of ${owner} to ${to}`" />
    <v-menu :close-on-content-click="false">
      <template #activator="{ props: menu }">
        <button
          v-bind="menu"
          class="more"
          :aria-label="`More about the send of ${owner} to ${to}`"
          :title="send.tap === 'pre' ? 'Before the fader' : 'After the fader'"
          data-test="send-more"
        >
          <template v-if="send.tap === 'pre'">pre</template><v-icon v-else icon="$more" size="20" />
        </button>
      </template>
      <div class="sheet panel" role="group" :aria-label="`Send of ${owner} to ${to}`">
        <p><b>{{ owner }}</b> sent to <b>{{ to }}</b></p>
        <SwitchButton :address="`send/${send.id}/on`" :label="`Send of ${owner} to ${to} on`" text="on" />
        <label>
          <input
            type="radio"
            :checked="send.tap === 'post'"
            :name="send.id"
            data-test="tap-post"
            @change="tap('post')"
          />
          <span>After the fader (post-fader)<small>Fades with the track: the usual way.</small></span>
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
            >Before the fader (pre-fader)<small
              >Goes on when the track is faded down: only the echo stays.</small
            ></span
          >
        </label>
        <button class="chip" data-test="remove-send" @click="remove">Remove the send</button>
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
