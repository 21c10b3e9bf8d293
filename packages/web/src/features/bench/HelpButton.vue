<script setup lang="ts">
/** Asking for help without raising a hand; and allowing the own line to be shown. */
import { usePresence } from './presence-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import CheckField from '../../ui/fields/CheckField.vue'

const presence = usePresence()
</script>

<template>
  <div class="help">
    <AppButton
      small
      :aria-pressed="presence.help"
      :tip="presence.help ? t('help.sent.tip') : t('help.ask.tip')"
      data-test="need-help"
      @click="presence.help = !presence.help"
    >
      <v-icon icon="$help" size="18" />{{ presence.help ? t('help.sent') : t('help.ask') }}
    </AppButton>
    <CheckField v-model="presence.shows" :label="t('help.may-show')" data-test="may-show" />
  </div>
</template>

<style scoped>
.help {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  font-size: 14px;
}

label {
  display: flex;
  gap: 6px;
  align-items: center;
  cursor: pointer;
}
</style>
