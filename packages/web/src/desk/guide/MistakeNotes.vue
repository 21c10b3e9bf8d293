<script setup lang="ts">
/** The usual mistakes that were found, worst first, three at most: quiet notes that explain, show and offer a repair. */
import { barsOf } from '../transport/loop-text'
import { usePass } from '../pass/pass-store'
import { useDesk } from '../desk-store'
import { useGuide } from './guide-store'
import type { SaidMistake } from '@rudlo/sentences'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const guide = useGuide()
const desk = useDesk()
const pass = usePass()

function byHand(mistake: SaidMistake): void {
  desk.showPlace(mistake.place)
  pass.repair(mistake.place)
}
</script>

<template>
  <section v-if="guide.notes.length" class="notes" :aria-label="t('guide.mistakes')">
    <h2>{{ t('guide.mistakes') }}</h2>
    <article
      v-for="m in guide.notes"
      :key="m.kind + m.place.lane + m.place.from"
      data-test="mistake"
      :data-kind="m.kind"
    >
      <header>
        <span class="what"
          ><b>{{ m.name }}</b><br /><span class="soft">{{ barsOf(m.place, desk.time!.meter) }}</span></span
        >
        <RowButton
          class="remove"
          :aria-label="t('guide.mistakes.dismiss', { name: m.name })"
          @click="guide.dismiss(m)"
        >
          <v-icon icon="$close" size="16" />
        </RowButton>
      </header>
      <p>{{ m.sentence }}</p>
      <div class="row">
        <AppButton small @click="guide.show(m.place)">
          <v-icon icon="$play" size="16" />{{ t('guide.mistakes.listen') }}
        </AppButton>
        <AppButton
          v-if="guide.canRepair(m) && guide.trying.tried?.mistake !== m"
          small
          data-test="try-repair"
          @click="guide.repair(m)"
        >
          {{ t('guide.mistakes.repair') }}
        </AppButton>
        <AppButton v-if="m.place.lane" small :tip="t('guide.mistakes.hand.tip')" @click="byHand(m)">
          {{ t('guide.mistakes.hand') }}
        </AppButton>
      </div>
      <div v-if="guide.trying.tried?.mistake === m" class="row" data-test="tried-repair">
        <span class="soft">{{ t('guide.repair.shown') }}</span>
        <AppButton
          small
          :aria-pressed="guide.trying.heard"
          data-test="hear-repair"
          @click="guide.trying.hear"
          >{{ t('guide.repair.hear') }}</AppButton
        >
        <AppButton small tone="main" data-test="take-repair" @click="guide.takeRepair">{{
          t('guide.repair.take')
        }}</AppButton>
        <AppButton small data-test="leave-repair" @click="guide.trying.leave">{{
          t('guide.repair.leave')
        }}</AppButton>
      </div>
    </article>
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 10px;
}

h2 {
  font-size: 17px;
}

article {
  display: grid;
  gap: 6px;
  padding: 8px 10px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  font-size: 15px;
}

header {
  display: flex;
  gap: 8px;
  align-items: center;
}

.what {
  flex: 1;
}

.what .soft {
  font-size: 14px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.remove {
  width: 32px;
  height: 32px;
  margin: -6px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
</style>
