<script setup lang="ts">
/** Which version is heard: switched at the same place without a gap, at one loudness, with names hidden. */
import { computed } from 'vue'
import { useVersions } from './versions-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import { t } from '../../words/t'

defineProps<{ touring: boolean; moves: number }>()
const emit = defineEmits<{ tour: [] }>()

const versions = useVersions()
const MOST = 3
/** The first few as buttons, the rest in a list. */
const first = computed(() =>
  versions.choices.slice(0, MOST).map((c, i) => ({
    value: c.key,
    text: large(c.name),
    tip: t('heard.tip', { number: i + 1 }),
    test: 'hear',
  })),
)
const rest = computed(() => versions.choices.slice(MOST))
const said = computed(() =>
  versions.blind ? t('heard.hidden') : versions.matched ? t('heard.matched') : t('heard.by-ear'),
)
const large = (name: string) => name[0]!.toUpperCase() + name.slice(1)
</script>

<template>
  <ChoiceButtons
    v-if="versions.choices.length"
    desk
    :label="t('heard.label')"
    :choices="first"
    :model-value="versions.heard"
    @update:model-value="versions.hear"
  />
  <AppMenu v-if="rest.length" location="top" :label="t('heard.others')">
    <template #opener="{ opener }"
      ><AppButton v-bind="opener" small tone="desk"
        >{{ rest.find((r) => r.key === versions.heard)?.name ?? t('heard.more')
        }}<v-icon icon="$choose" size="18" /></AppButton
    ></template>
    <MenuItem v-for="r in rest" :key="r.key" @click="versions.hear(r.key)">{{ r.name }}</MenuItem>
  </AppMenu>
  <AppMenu stays :label="t('heard.how')">
    <template #opener="{ opener: menu }">
      <AppButton
        small
        tone="desk"
        v-bind="menu"
        :aria-pressed="versions.matched || versions.blind !== null"
        data-test="ways"
      >
        {{ said }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="list form">
      <CheckField
        :model-value="versions.matched"
        :label="t('heard.match')"
        :hint="t('heard.match.about')"
        data-test="matched"
        @update:model-value="versions.setMatched"
      />
      <CheckField
        :model-value="versions.blind !== null"
        :label="t('heard.hide')"
        :hint="t('heard.hide.about')"
        data-test="blind"
        @update:model-value="versions.setBlind"
      />
    </div>
  </AppMenu>
  <AppButton
    small
    tone="desk"
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
.list {
  display: grid;
  gap: var(--space-3);
}
</style>
