<script setup lang="ts">
/** One picture of something heard: drawn, said in sentences, and, where it is asked for, in figures. */
import type { Picture } from '@rudlo/core/heard'
import { soundingTime, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import BalanceField from '../../charts/BalanceField.vue'
import BuildChart from '../../charts/BuildChart.vue'
import CrossingChart from '../../charts/CrossingChart.vue'
import FadeChart from '../../charts/FadeChart.vue'
import LeadChart from '../../charts/LeadChart.vue'
import type { Shown, Sides } from '../../charts/picture'
import FoldSection from '../../ui/page/FoldSection.vue'
import { t } from '../../words/t'
import PictureFigures from './PictureFigures.vue'
import { nameOf, saidOf, tableOf, titleOf, type Namer } from './picture-words'

const props = defineProps<{
  picture: Picture
  /** The same of another mix, under its name; null for a mix in which there is no such thing. */
  beside?: { readonly name: string; readonly picture: Picture | null } | null
  song: SongVersion
  mix: Mix
  position: () => number
  /** Where the lead should stand over the rest, in LU. */
  band: readonly [low: number, high: number]
  /** The bars that it is about: what is said of them comes first. */
  within?: { readonly from: number; readonly to: number } | null
  /** What is shown, and px to its first bar, where it lies under a lane: it has no figures then. */
  shown?: Shown | undefined
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

/** Hops are counted in the tempo that the mix sounds in. */
const time = computed(() => soundingTime(props.song, props.mix))
const by = computed((): Namer => ({
  song: props.song,
  mix: props.mix,
  time: time.value,
  within: props.within ?? null,
}))
const said = computed(() => saidOf(by.value, props.picture))
const table = computed(() => tableOf(by.value, props.picture))
/** What lies beside it, as each chart takes it; null where it is of another kind, or nothing is there. */
const besides = computed(() => {
  const { name = '', picture } = props.beside ?? {}
  return {
    fade: picture?.kind === 'fade' ? { name, picture: picture.fade } : null,
    crossing: picture?.kind === 'crossing' ? { name, picture: picture.crossing } : null,
    build: picture?.kind === 'build' ? { name, picture: picture.build } : null,
    lead: picture?.kind === 'balance' ? { name, picture: picture.balance.bars } : null,
    sections: picture?.kind === 'balance' ? picture.balance.sections : undefined,
  }
})
const frame = computed(() => ({
  time: time.value,
  position: props.position,
  shown: props.shown,
  sides: props.sides,
}))
</script>

<template>
  <article class="picture-card" :data-test="`card-${picture.kind}`">
    <header>
      <h3>{{ titleOf(by, picture) }}</h3>
      <p class="first">{{ said[0] }}</p>
      <p v-if="said.length > 1 && picture.kind !== 'balance'" class="more">{{ said.slice(1).join(' ') }}</p>
      <ul v-else-if="said.length > 1" class="more">
        <li v-for="line in said.slice(1)" :key="line">{{ line }}</li>
      </ul>
      <p v-if="beside && !beside.picture && picture.kind !== 'build'" class="soft">
        {{ t('heard.beside.none', { name: beside.name }) }}
      </p>
    </header>
    <FadeChart
      v-if="picture.kind === 'fade'"
      v-bind="frame"
      :picture="picture.fade"
      :name="nameOf(by, picture.lane)"
      :beside="besides.fade"
      @go="(tick) => emit('go', tick)"
    />
    <CrossingChart
      v-else-if="picture.kind === 'crossing'"
      v-bind="frame"
      :picture="picture.crossing"
      :leaves="nameOf(by, picture.leaves)"
      :comes="nameOf(by, picture.comes)"
      :beside="besides.crossing"
      @go="(tick) => emit('go', tick)"
    />
    <BuildChart
      v-else-if="picture.kind === 'build'"
      v-bind="frame"
      :picture="picture.build"
      :grows="picture.grows"
      :name-of="(lane) => nameOf(by, lane)"
      :beside="besides.build"
      @go="(tick) => emit('go', tick)"
    />
    <template v-else>
      <LeadChart
        v-bind="frame"
        :bars="picture.balance.bars"
        :band="band"
        :beside="besides.lead"
        @go="(tick) => emit('go', tick)"
      />
      <BalanceField
        :song="song"
        :sections="picture.balance.sections"
        :beside="besides.sections"
        @go="(tick) => emit('go', tick)"
      />
    </template>
    <FoldSection v-if="!shown" :title="t('heard.figures')">
      <PictureFigures :title="titleOf(by, picture)" :table="table" />
    </FoldSection>
  </article>
</template>

<style scoped>
.picture-card {
  display: grid;
  gap: var(--space-2);
  align-content: start;
  min-width: 0;
}

h3 {
  color: var(--soft);
  font-size: var(--text-1);
  font-weight: 560;
}

.first {
  font-size: var(--text-3);
  font-weight: 560;
}

.more {
  font-size: var(--text-2);
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
