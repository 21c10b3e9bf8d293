<script setup lang="ts">
/** Every version that was handed in, with what changed in it, in moves. */
import { sayChanges, type Version } from '@rudlo/core/compare'
import { Sayer } from '@rudlo/sentences'
import { computed } from 'vue'
import { whenText } from '../../words/dates'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const bench = useBench()
const desk = useDesk()
const work = useWork()

const STATES = {
  measuring: t('versions.measuring'),
  waiting: t('versions.handed-in'),
  held: t('versions.handed-in'),
  'given back': '',
} as const

function changesOf(from: Version, to: Version): string {
  const sayer = new Sayer({ song: desk.song!, mix: to.mix, start: from.mix })
  return sayer.all(sayChanges(desk.song!, from, to)).join(' ')
}

const versions = computed(() =>
  work.versions
    .map((version, i) => {
      const before = work.versions[i - 1]
      const from = before
        ? { mix: before.document.mix, measured: before.measurement }
        : { mix: desk.given!.startingMix, measured: null }
      return {
        version,
        state:
          version.state === 'given back'
            ? version.outcome === 'accepted'
              ? t('versions.accepted')
              : t('versions.came-back')
            : STATES[version.state],
        since: before ? t('versions.since', { number: before.number }) : t('versions.since-start'),
        changes: changesOf(from, { mix: version.document.mix, measured: version.measurement }),
      }
    })
    .reverse(),
)
</script>

<template>
  <ol class="versions">
    <li v-for="v in versions" :key="v.version.id" data-test="version">
      <h2>{{ t('bench.version', { number: v.version.number }) }} <span class="soft">{{ v.state }}</span></h2>
      <p class="soft">{{ whenText(v.version.handedInAt) }}</p>
      <p v-if="v.version.said" class="said">“{{ v.version.said }}”</p>
      <p><b>{{ v.since }}:</b> {{ v.changes }}</p>
      <AppButton
        small
        :aria-pressed="work.heard === v.version.id"
        @click="work.hear(work.heard === v.version.id ? null : v.version.id, v.version.document)"
      >
        <v-icon icon="$play" size="16" />{{ t('tries.hear') }}
      </AppButton>
      <AppButton
        v-if="v.version.review"
        small
        data-test="read-review"
        @click="((desk.reading = v.version.id), (bench.page = 'back'))"
      >
        {{ t('versions.said') }}
      </AppButton>
    </li>
  </ol>
</template>

<style scoped>
.versions {
  display: grid;
  gap: 14px;
  margin: 0;
  padding: 0;
  list-style: none;
}

h2 {
  font-size: 16px;
}

h2 .soft {
  font-weight: 400;
  font-size: 14px;
}

.said {
  font-style: italic;
}
</style>
