<script setup lang="ts">
/** The third view of the work: what is heard of the task at hand, as pictures with their figures in words. */
import { laneName } from '@rudlo/core/assess'
import type { BuildPicture, FadePicture } from '@rudlo/core/heard'
import { beatInWords } from '@rudlo/core/time'
import { numberText, signedText } from '@rudlo/words'
import { computed } from 'vue'
import BalanceField from '../../charts/BalanceField.vue'
import BuildChart from '../../charts/BuildChart.vue'
import LeadChart from '../../charts/LeadChart.vue'
import FadeChart from '../../charts/FadeChart.vue'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import FigureTable from '../../ui/tables/FigureTable.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import { useHeard } from './heard-store'

const desk = useDesk()
const work = useWork()
const player = usePlayer()
const heard = useHeard()

const time = computed(() => player.heardTime ?? desk.time!)
const nameOf = (lane: string) => laneName(desk.song!, work.mix!, lane)
const at = (tick: number) => beatInWords(time.value.meter, tick)

/** What a fade's picture says, in words. */
function saidOfFade({ way, start, end, heard: first, gone, still, steepest }: FadePicture): string[] {
  const out = way === 'out'
  return [
    t('heard.said.drawn', { from: at(start), to: at(end) }),
    first === null
      ? t('heard.said.never')
      : t(out ? 'heard.said.first' : 'heard.said.full', { where: at(first) }),
    gone === null
      ? t(out ? 'heard.said.stays' : 'heard.said.there')
      : t(out ? 'heard.said.gone' : 'heard.said.comes', { where: at(gone) }),
    ...(still ? [t('heard.said.still', { from: at(still.from), to: at(still.to) })] : []),
    ...(steepest
      ? [t('heard.said.steepest', { where: at(steepest.tick), speed: numberText(steepest.speed, 0) })]
      : []),
  ]
}

function saidOfBuild({ bars, steepest, falls, room, after }: BuildPicture): string[] {
  const [first, last] = [bars[0]?.adds ?? 0, bars.at(-1)?.adds ?? 0]
  return [
    t('heard.said.grows', { lu: signedText(last - first, 1) }),
    ...(steepest ? [t('heard.said.steepest-bar', { bar: steepest })] : []),
    ...(falls.length ? [t('heard.said.falls', { n: falls.length, bars: falls.join(', ') })] : []),
    ...(room === null ? [] : [t('heard.said.room', { room: numberText(room, 1) })]),
    ...(after === null ? [] : [t('heard.said.after', { lu: signedText(after, 1) })]),
  ]
}

/** The lead over the rest in a full arrangement, in LU; as the task asks for it, where it does. */
const USUAL = [0, 4] as const
const band = computed((): readonly [number, number] => {
  // whatever asks for something between two
  const asked = desk.task?.checks.map((c) => [c.values['low'], c.values['high']] as const) ?? []
  const [least, most] = asked.find(([low, high]) => typeof low === 'number' && typeof high === 'number') ?? []
  return typeof least === 'number' && typeof most === 'number' ? [least, most] : USUAL
})

const trackName = (id: string) => desk.song!.tracks.find((track) => track.id === id)?.name ?? ''
/** Who is in the way of whom, and what would help, in words. */
const ways = computed(() =>
  (heard.balance?.way ?? []).flatMap(({ section, lead, by, forward }) => {
    const letter = desk.song!.sections.find((s) => s.id === section)?.letter ?? ''
    return by.map(({ track, share, low, high, back }) => {
      const said = t('heard.way', {
        letter,
        track: trackName(track),
        share: t(`heard.share.${shareWord(share)}`),
        lead: trackName(lead),
        low: numberText(low, 0),
        high: numberText(high, 0),
      })
      if (back !== null) return `${said} ${t('heard.way.back', { back })}`
      return forward === null ? said : `${said} ${t('heard.way.forward', { forward, lead: trackName(lead) })}`
    })
  }),
)

/** A share in the words of a lesson. */
function shareWord(share: number): 'all' | 'most' | 'half' | 'third' | 'part' {
  if (share > 0.9) return 'all'
  if (share > 0.62) return 'most'
  if (share > 0.42) return 'half'
  return share > 0.28 ? 'third' : 'part'
}
</script>

<template>
  <section class="sheet heard" :aria-label="t('heard.view')" data-test="heard-view">
    <p v-if="!heard.allowed" class="soft">{{ t('heard.later') }}</p>
    <p v-else-if="heard.problem" role="alert">{{ heard.problem }}</p>
    <template v-else>
      <article v-if="heard.build">
        <h3>{{ t('heard.build') }}</h3>
        <BuildChart
          :picture="heard.build"
          :time="time"
          :name-of="nameOf"
          :position="player.position"
          @go="player.seek"
        />
        <ul>
          <li v-for="line in saidOfBuild(heard.build)" :key="line">{{ line }}</li>
        </ul>
        <FoldSection :title="t('heard.figures')">
          <FigureTable :label="t('heard.build.label')">
            <thead>
              <tr>
                <th scope="col">{{ t('heard.bar') }}</th>
                <th scope="col">{{ t('heard.adds') }}</th>
                <th v-for="lane in Object.keys(heard.build.bars[0]?.lanes ?? {})" :key="lane" scope="col">
                  {{ nameOf(lane) }}
                </th>
                <th scope="col">{{ t('heard.together') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="b in heard.build.bars" :key="b.bar">
                <th scope="row">{{ b.bar }}</th>
                <td>{{ b.adds === null ? '–' : signedText(b.adds, 1) }}</td>
                <td v-for="(share, lane) in b.lanes" :key="lane">{{ signedText(share, 1) }}</td>
                <td>{{ signedText(b.together, 1) }}</td>
              </tr>
            </tbody>
          </FigureTable>
        </FoldSection>
      </article>
      <article v-if="heard.balance">
        <h3>{{ t('heard.balance') }}</h3>
        <ul v-if="ways.length" class="ways">
          <li v-for="line in ways" :key="line">{{ line }}</li>
        </ul>
        <p v-else class="soft">{{ t('heard.way.none') }}</p>
        <BalanceField :song="desk.song!" :sections="heard.balance.sections" @go="player.seek" />
        <h3>{{ t('heard.lead.title') }}</h3>
        <LeadChart
          :bars="heard.balance.bars"
          :time="time"
          :position="player.position"
          :band="band"
          @go="player.seek"
        />
      </article>
      <article v-for="f in heard.fades" :key="`${f.lane} ${f.picture.start}`">
        <h3>
          {{ t(f.picture.way === 'out' ? 'heard.fade.out' : 'heard.fade.in', { name: nameOf(f.lane) }) }}
        </h3>
        <FadeChart
          :picture="f.picture"
          :time="time"
          :name="nameOf(f.lane)"
          :position="player.position"
          @go="player.seek"
        />
        <ul>
          <li v-for="line in saidOfFade(f.picture)" :key="line">{{ line }}</li>
        </ul>
      </article>
      <p v-if="!heard.fades.length && !heard.build && !heard.balance" class="soft">
        {{ heard.busy ? t('heard.busy') : t('heard.none') }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.heard {
  display: grid;
  flex: 1;
  gap: var(--space-5);
  align-content: start;
  min-height: 0;
  padding: var(--space-4);
  overflow-y: auto;
}

h3 {
  font-size: var(--text-3);
}

.ways {
  display: grid;
  font-size: var(--text-2);
}

ul:not(.ways) {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-5);
  font-size: var(--text-1);
}

ul {
  padding: 0;
  list-style: none;
}
</style>
