<script setup lang="ts">
/** The usual mistakes that were found, worst first, three at most: quiet notes that explain, show and offer a repair. */
import { barsOf } from '../transport/loop-text'
import { usePass } from '../pass/pass-store'
import { useDesk } from '../desk-store'
import { useGuide } from './guide-store'
import type { SaidMistake } from '@rudlo/words'

const guide = useGuide()
const desk = useDesk()
const pass = usePass()

function byHand(mistake: SaidMistake): void {
  desk.showPlace(mistake.place)
  pass.repair(mistake.place)
}
</script>

<template>
  <section v-if="guide.notes.length" class="notes" aria-label="Worth a second listen">
    <h2>Worth a second listen</h2>
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
        <button class="remove" :aria-label="`Put away: ${m.name}`" @click="guide.dismiss(m)">
          <v-icon icon="$close" size="16" />
        </button>
      </header>
      <p>{{ m.sentence }}</p>
      <div class="row">
        <button class="chip" @click="guide.show(m.place)">
          <v-icon icon="$play" size="16" />Listen there
        </button>
        <button v-if="guide.canRepair(m)" class="chip" data-test="try-repair" @click="guide.repair(m)">
          Try a repair
        </button>
        <button
          v-if="m.place.lane"
          class="chip"
          title="Plays from two bars before; what you hold is written"
          @click="byHand(m)"
        >
          By hand
        </button>
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
