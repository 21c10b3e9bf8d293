<script setup lang="ts">
/** What was measured, in figures: each check beside what was asked, and who is how loud section by section. */
import { soundingTime } from '@rudlo/core/mix'
import { numberText, signedText } from '@rudlo/words'
import { computed } from 'vue'
import BalanceChart from '../../charts/BalanceChart.vue'
import PictureFigures from '../../desk/heard/PictureFigures.vue'
import { tableOf, titleOf } from '../../desk/heard/picture-words'
import { useReviewPictures } from './review-pictures'
import { useReview } from './review-store'
import TermText from '../../ui/marks/TermText.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const review = useReview()
const pictures = useReviewPictures()
const handIn = computed(() => review.handIn!)
const checks = computed(() =>
  (review.said?.tasks ?? []).flatMap((t) => {
    const task = review.assignment!.brief.tasks.find((b) => b.id === t.task)
    const before = review.said!.before.find((b) => b.task === t.task)
    return t.checks.map((c) => ({
      ...c,
      task: task?.title ?? '',
      before: before?.checks.find((b) => b.check === c.check)?.finding.figures ?? [],
    }))
  }),
)
const balances = computed(() => {
  const { measurement, assessment, before } = handIn.value
  return [
    { name: t('figures.this'), balance: measurement?.balance ?? [] },
    ...(before?.measurement?.balance
      ? [{ name: t('tries.version', { number: before.number }), balance: before.measurement.balance }]
      : []),
    { name: t('figures.start'), balance: assessment?.start?.balance ?? [] },
  ].filter((b) => b.balance.length)
})
const tracks = computed(() => {
  const [now] = balances.value
  if (!now) return []
  return review.song!.tracks.map((t) => ({
    name: t.name,
    levels: now.balance.map((b) => b.tracks[t.id] ?? null),
  }))
})
/** What the pictures of the task show, in figures. */
const drawn = computed(() => {
  const by = {
    song: review.song!,
    mix: review.mix!,
    time: soundingTime(review.song!, review.mix!),
    within: pictures.task,
  }
  return pictures.shown.map(({ picture }) => ({ title: titleOf(by, picture), table: tableOf(by, picture) }))
})
const loud = computed(() => {
  const { measurement } = handIn.value
  if (!measurement) return ''
  const { integrated, range, truePeak } = measurement
  if (integrated === null) return t('figures.silent')
  return truePeak === null
    ? t('figures.whole.silent', { lufs: numberText(integrated, 1), range: numberText(range, 1) })
    : t('figures.whole', {
        lufs: numberText(integrated, 1),
        range: numberText(range, 1),
        peak: numberText(truePeak, 1),
      })
})
</script>

<template>
  <section class="figures" tabindex="0" :aria-label="t('figures.title')" data-test="figures">
    <FigureTable v-if="checks.length" class="sheet checks" :label="t('figures.check')">
      <thead>
        <tr>
          <th scope="col">{{ t('figures.check') }}</th>
          <th scope="col">{{ t('figures.what') }}</th>
          <th scope="col">{{ t('figures.first') }}</th>
          <th scope="col">{{ t('figures.now') }}</th>
          <th scope="col">{{ t('figures.asked') }}</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="c in checks" :key="c.check">
          <tr v-for="(f, i) in c.finding.figures" :key="f.name">
            <th v-if="!i" scope="rowgroup" :rowspan="c.finding.figures.length">{{ c.name }}</th>
            <td>{{ f.name }}</td>
            <td>{{ c.before.find((b) => b.name === f.name)?.value ?? '–' }}</td>
            <td>
              <b>{{ f.value }}</b>
            </td>
            <td>{{ f.wanted || '–' }}</td>
          </tr>
        </template>
      </tbody>
    </FigureTable>
    <div class="sheet balance">
      <h2>{{ t('figures.tune') }}</h2>
      <BalanceChart v-if="balances.length" :song="review.song!" :balances="balances" />
      <p v-else class="soft">{{ t('figures.later') }}</p>
      <p class="soft"><TermText :text="loud" /></p>
    </div>
    <FigureTable v-if="tracks.length" class="sheet" :label="t('figures.tracks')">
      <caption>
        {{ t('figures.tracks') }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ t('figures.track') }}</th>
          <th v-for="s in review.song!.sections" :key="s.id" scope="col">{{ s.letter }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="track in tracks" :key="track.name">
          <th scope="row">{{ track.name }}</th>
          <td v-for="(l, i) in track.levels" :key="i">{{ l === null ? '–' : signedText(l, 1) }}</td>
        </tr>
      </tbody>
    </FigureTable>
    <div v-for="f in drawn" :key="f.title" class="sheet picture">
      <h2>{{ f.title }}</h2>
      <PictureFigures :title="f.title" :table="f.table" />
    </div>
  </section>
</template>

<style scoped>
.figures {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 10px;
  align-items: start;
  min-height: 0;
  overflow-y: auto;
}

.picture {
  padding: 12px 14px;
}

.checks {
  grid-row: span 2;
}

caption {
  padding: 8px 12px 0;
  font-weight: 640;
  text-align: left;
}

th,
td {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--rule);
  font-weight: 400;
  text-align: left;
  vertical-align: top;
}

thead th {
  color: var(--soft);
}

.balance {
  padding: 12px 14px;
  font-size: 14px;
}

h2 {
  font-size: var(--text-2);
}
</style>
