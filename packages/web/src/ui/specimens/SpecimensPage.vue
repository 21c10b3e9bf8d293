<script setup lang="ts">
/**
 * Every component of the layer in each of its states, for whoever builds rooms: in light and dark, with more contrast, and in the
 * pseudo-language. It is part of the development server alone.
 */
import { computed, ref } from 'vue'
import { keep, kept } from '../../browser/kept'
import { LANGUAGE_KEY, PSEUDO } from '../../words/language'
import { t } from '../../words/t'
import ChoiceButtons from '../buttons/ChoiceButtons.vue'
import SwitchField from '../fields/SwitchField.vue'
import TipHost from '../overlays/TipHost.vue'
import RoomPage from '../page/RoomPage.vue'
import { useThemeChoice } from '../theme/theme-store'
import BarSpecimens from './BarSpecimens.vue'
import ButtonSpecimens from './ButtonSpecimens.vue'
import FieldSpecimens from './FieldSpecimens.vue'
import OverlaySpecimens from './OverlaySpecimens.vue'
import PageSpecimens from './PageSpecimens.vue'
import TableSpecimens from './TableSpecimens.vue'
import TokenSpecimens from './TokenSpecimens.vue'

const theme = useThemeChoice()
const themes = (['light', 'dark', 'system'] as const).map((value) => ({
  value,
  text: t(`shell.colours.${value}`),
}))
const isPseudo = computed({
  get: () => kept(LANGUAGE_KEY) === PSEUDO,
  set: (on) => {
    keep(LANGUAGE_KEY, on ? PSEUDO : '')
    location.reload()
  },
})
const finger = ref(false)
</script>

<template>
  <RoomPage :title="t('specimens.title')" wide :class="{ finger }">
    <template #acts>
      <ChoiceButtons v-model="theme.choice" :choices="themes" :label="t('shell.colours')" />
      <SwitchField v-model="theme.moreContrast" :label="t('shell.contrast')" />
      <SwitchField v-model="isPseudo" :label="t('specimens.pseudo')" />
      <SwitchField v-model="finger" :label="t('specimens.finger')" />
    </template>
    <TokenSpecimens />
    <ButtonSpecimens />
    <FieldSpecimens />
    <OverlaySpecimens />
    <BarSpecimens />
    <TableSpecimens />
    <PageSpecimens />
  </RoomPage>
  <TipHost />
</template>

<style scoped>
.finger {
  --target: 44px;
}
</style>
