<script setup lang="ts">
/** Which version is heard: switched at the same place without a gap, at one loudness, with names hidden. */
import { computed } from 'vue'
import { useVersions } from './versions-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import AppMenu from '../../ui/overlays/AppMenu.vue'

defineProps<{ touring: boolean; moves: number }>()
const emit = defineEmits<{ tour: [] }>()

const versions = useVersions()
const MOST = 3
/** The first few as buttons, the rest in a list. */
const first = computed(() => versions.choices.slice(0, MOST))
const rest = computed(() => versions.choices.slice(MOST))
const said = computed(() => (versions.blind ? t('heard.hidden') : versions.matched ? t('heard.matched') : t('heard.by-ear')))
const large = (name: string) => name[0]!.toUpperCase() + name.slice(1)
</script>

<template>
  <div class="heard" role="radiogroup" :aria-label="t('heard.label')">
    <AppButton small tone="desk"
      v-for="(c, i) in first"
      :key="c.key"
     
      role="radio"
      :aria-checked="versions.heard === c.key"
      :tip="t('heard.tip', { number: i + 1 })"
      data-test="hear"
      @click="versions.hear(c.key)"
    >
      {{ large(c.name) }}
    </AppButton>
    <select
      v-if="rest.length"
      class="rest"
      :value="rest.some((r) => r.key === versions.heard) ? versions.heard : ''"
      :aria-label="t('heard.others')"
      @change="versions.hear(($event.target as HTMLSelectElement).value)"
    >
      <option value="" disabled>{{ t('heard.more') }}</option>
      <option v-for="r in rest" :key="r.key" :value="r.key">{{ r.name }}</option>
    </select>
  </div>
  <AppMenu stays :label="t('heard.how')">
      <template #opener="{ opener: menu }">
      <AppButton small tone="desk"
        v-bind="menu"
       
        :aria-pressed="versions.matched || versions.blind !== null"
        data-test="ways"
      >
        {{ said }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
      <div class="list form">
      <label>
        <input
          type="checkbox"
          :checked="versions.matched"
          data-test="matched"
          @change="versions.setMatched(!versions.matched)"
        />
        <span
          ><b>{{ t('heard.match') }}</b> {{ t('heard.match.key') }}<br /><span class="soft"
            >{{ t('heard.match.about') }}</span
          ></span
        >
      </label>
      <label>
        <input
          type="checkbox"
          :checked="versions.blind !== null"
          data-test="blind"
          @change="versions.setBlind(versions.blind === null)"
        />
        <span
          ><b>{{ t('heard.hide') }}</b> {{ t('heard.hide.key') }}<br /><span class="soft"
            >{{ t('heard.hide.about') }}</span
          ></span
        >
      </label>
    </div>
    </AppMenu>
  <AppButton small tone="desk"
   
    :aria-pressed="touring"
    :disabled="!moves"
    :tip="t('heard.tour.tip')"
    data-test="tour"
    @click="emit('tour')"
  >
    {{ t('heard.tour') }}
  </AppButton>
</template>

<style scoped>
.heard {
  display: flex;
  gap: 0;
}

.list {
  display: grid;
  gap: 10px;
  margin-bottom: 4px;
  padding: 14px 18px;
  font-size: 14px;
}

.list label {
  display: flex;
  gap: 10px;
  align-items: start;
  cursor: pointer;
}

.chip {
  padding-inline: 9px;
}

.heard .chip {
  border-color: transparent;
}

.heard .chip[aria-checked='true'] {
  border-color: var(--on-desk);
  background: var(--on-desk);
  color: var(--desk);
}

.rest {
  border: 0;
  background: transparent;
  color: var(--on-desk);
  font: inherit;
}

.rest option {
  color: var(--ink);
  background: var(--sheet);
}
</style>
