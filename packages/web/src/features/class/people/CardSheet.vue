<script setup lang="ts">
/** Sign-in cards to print and cut: name, sign-in name, first password, and the address as text and as a code to scan. */
import type { SignInCard } from '@rudlo/contract/people'
import { renderSVG } from 'uqr'
import AppButton from '../../../ui/buttons/AppButton.vue'
import { t } from '../../../words/t'

defineProps<{ cards: readonly SignInCard[]; group: string }>()
const emit = defineEmits<{ done: [] }>()

const address = location.origin
/** The address to scan: an image of its own, so that nothing is put into the page as markup. */
const code = `data:image/svg+xml,${encodeURIComponent(renderSVG(address, { border: 1 }))}`
const print = () => window.print()
</script>

<template>
  <section class="cards" :aria-label="t('class.cards', { n: cards.length })" data-test="cards">
    <header class="screen">
      <div>
        <h1>{{ cards.length === 1 ? t('class.cards.one') : t('class.cards', { n: cards.length }) }}</h1>
        <p class="soft">{{ t('class.cards.about') }}</p>
      </div>
      <AppButton icon="print" data-test="print-cards" @click="print">{{ t('class.cards.print') }}</AppButton>
      <AppButton tone="main" data-test="cards-done" @click="emit('done')">{{ t('ui.done') }}</AppButton>
    </header>
    <div class="grid">
      <div v-for="c in cards" :key="c.signIn" class="card" data-test="card">
        <b class="name">{{ c.name }}</b>
        <dl>
          <dt>{{ t('class.cards.sign-in') }}</dt>
          <dd>{{ c.signIn }}</dd>
          <dt>{{ t('class.cards.password') }}</dt>
          <dd class="password" data-test="first-password">{{ c.password }}</dd>
          <dt>{{ t('class.cards.address') }}</dt>
          <dd>{{ address }}</dd>
        </dl>
        <img :src="code" alt="" width="72" height="72" />
        <p>{{ group }}</p>
      </div>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  margin-bottom: var(--space-4);
}

header > div {
  flex: 1;
}

h1 {
  font-size: var(--text-5);
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 10px;
}

/* black on white, whatever the theme: it is paper */
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 76px;
  gap: 4px 12px;
  padding: 14px 16px;
  border: 1px dashed #555;
  background: #fff;
  break-inside: avoid;
  color: #000;
}

.name,
.card p {
  grid-column: 1 / -1;
}

dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 2px 12px;
  align-content: start;
  margin: 0;
}

dt {
  color: #444;
}

dd {
  margin: 0;
  font-weight: 700;
  white-space: nowrap;
}

.card p {
  color: #444;
  font-size: var(--text-1);
}

@media print {
  .screen {
    display: none;
  }
}
</style>
