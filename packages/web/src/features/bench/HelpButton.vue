<script setup lang="ts">
/** Asking for help without raising a hand; and allowing the own line to be shown. */
import { usePresence } from './presence-store'
import AppButton from '../../ui/buttons/AppButton.vue'

const presence = usePresence()
</script>

<template>
  <div class="help">
    <AppButton small
     
      :aria-pressed="presence.help"
      :tip="
        presence.help
          ? 'Your teacher sees it. Press again if you found it yourself.'
          : 'Your teacher sees that you want help'
      "
      data-test="need-help"
      @click="presence.help = !presence.help"
    >
      <v-icon icon="$help" size="18" />{{ presence.help ? 'Help is coming' : 'I need help' }}
    </AppButton>
    <label class="soft">
      <input v-model="presence.shows" type="checkbox" data-test="may-show" />
      my line may be shown, without my name
    </label>
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
