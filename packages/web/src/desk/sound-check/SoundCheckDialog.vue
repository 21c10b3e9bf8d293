<script setup lang="ts">
/** The check of ears and headphones: left, right, level, and how late wireless headphones are. */
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { LONGEST_DELAY, useListening } from '../../engine/listening-store'
import { delayOfTaps, TAPS_NEEDED } from '../../engine/tap-delay'
import { CLICK_GAP, TestSounds } from './test-sounds'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import SliderField from '../../ui/fields/SliderField.vue'
import { t } from '../../words/t'

const open = defineModel<boolean>({ required: true })

const listening = useListening()
const CLICKS = 10
let sounds: TestSounds | null = null
const clicks = ref<readonly number[]>([])
const taps = ref<readonly number[]>([])
const result = ref('')
let ending: ReturnType<typeof setTimeout> | undefined

const tapping = computed(() => clicks.value.length > 0)
const hear = () => (sounds ??= new TestSounds())

async function startTapping(): Promise<void> {
  result.value = ''
  taps.value = []
  clicks.value = await hear().clicks(CLICKS)
  clearTimeout(ending)
  ending = setTimeout(endTapping, clicks.value.at(-1)! - performance.now() + CLICK_GAP * 1000)
}

function tap(): void {
  if (!tapping.value) return void startTapping()
  taps.value = [...taps.value, performance.now()]
  if (taps.value.length >= CLICKS) endTapping()
}

function endTapping(): void {
  clearTimeout(ending)
  sounds?.hush()
  const delay = delayOfTaps(taps.value, clicks.value, LONGEST_DELAY)
  clicks.value = []
  if (delay === null) {
    result.value = t('sound.few-taps', { n: TAPS_NEEDED })
    return
  }
  listening.delay = delay
  result.value = delay < 40 ? t('sound.no-delay') : t('sound.delay', { ms: delay })
}

function done(): void {
  listening.checked = true
  open.value = false
}

function stop(): void {
  clearTimeout(ending)
  clicks.value = []
  void sounds?.close()
  sounds = null
}

watch(open, (is) => is || stop())
onBeforeUnmount(stop)
</script>

<template>
  <AppDialog v-model="open" :title="t('sound.title')" :width="560">
    <p class="soft">{{ t('sound.about') }}</p>
    <section>
      <h3>{{ t('sound.sides') }}</h3>
      <p>{{ t('sound.sides.about') }}</p>
      <div class="row">
        <AppButton small data-test="check-left" @click="hear().chord(-1)">{{ t('sound.left') }}</AppButton>
        <AppButton small data-test="check-right" @click="hear().chord(1)">{{ t('sound.right') }}</AppButton>
      </div>
    </section>
    <section>
      <h3>{{ t('sound.loudness') }}</h3>
      <p>{{ t('sound.loudness.about') }}</p>
      <div class="row">
        <AppButton small data-test="check-level" @click="hear().chord(0)">{{ t('sound.both') }}</AppButton>
      </div>
    </section>
    <section>
      <h3>{{ t('sound.wireless') }}</h3>
      <p>
        {{ t('sound.wireless.about') }}
      </p>
      <div class="row">
        <RowButton
          class="tap"
          data-test="tap"
          @pointerdown.prevent="tap"
          @keydown.enter.prevent="tap"
          @keydown.space.prevent="tap"
        >
          {{ tapping ? t('sound.tap', { n: taps.length, of: CLICKS }) : t('sound.start') }}
        </RowButton>
        <SliderField
          v-model="listening.delay"
          class="by-hand"
          :label="t('sound.late')"
          :min="0"
          :max="LONGEST_DELAY"
          :step="5"
          :said="t('pass.ms', { value: listening.delay })"
          data-test="delay"
          @keydown="keepKeys"
        />
      </div>
      <p v-if="result" role="status">{{ result }}</p>
    </section>
    <template #acts>
      <AppButton tone="main" data-test="check-done" @click="done">{{ t('sound.good') }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}

h3 {
  font-size: var(--text-3);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}

.tap {
  min-width: 168px;
  min-height: 48px;
  padding: 0 16px;
  border: 1px solid var(--ink);
  border-radius: 12px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-weight: 640;
  text-align: center;
  cursor: pointer;
  touch-action: manipulation;
}

.tap:active {
  background: var(--wash);
}

.by-hand {
  flex: 1;
}
</style>
