<script setup lang="ts">
/** Sign-in cards to print and cut: name, sign-in name, first password, address. Shown once. */
import type { SignInCard } from '@rudlo/contract/people'
import AppButton from '../../ui/buttons/AppButton.vue'

defineProps<{ cards: readonly SignInCard[]; group: string }>()
const emit = defineEmits<{ done: [] }>()

const address = location.origin
const print = () => window.print()
</script>

<template>
  <section class="cards" aria-label="Sign-in cards" data-test="cards">
    <header class="screen">
      <div>
        <h2>{{ cards.length === 1 ? 'A new password' : `${cards.length} sign-in cards` }}</h2>
        <p class="soft">
          They are shown this once. With the first sign-in everybody chooses an own password.
        </p>
      </div>
      <span>
        <AppButton data-test="print-cards" @click="print">Print</AppButton>
        <AppButton tone="main" data-test="cards-done" @click="emit('done')">Done</AppButton>
      </span>
    </header>
    <div class="grid">
      <div v-for="c in cards" :key="c.signIn" class="card" data-test="card">
        <b>{{ c.name }}</b>
        <dl>
          <dt>Sign in as</dt>
          <dd>{{ c.signIn }}</dd>
          <dt>First password</dt>
          <dd data-test="first-password">{{ c.password }}</dd>
        </dl>
        <p>{{ address }} · {{ group }}</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 14px;
}

header span {
  display: flex;
  gap: 8px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px;
}

.card {
  break-inside: avoid;
  padding: 14px 16px;
  border: 1px dashed #555;
  background: #fff;
  color: #000;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  margin: 6px 0;
}

dt {
  color: #444;
}

dd {
  margin: 0;
  font-weight: 700;
}

.card p {
  color: #444;
  font-size: 13px;
}

@media print {
  .screen {
    display: none;
  }
}
</style>
