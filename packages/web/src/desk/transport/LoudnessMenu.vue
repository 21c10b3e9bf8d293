<script setup lang="ts">
/** What is heard, in figures: words first. Now, lately, the whole song, and its highest peak. */
import { numberText } from '@rudlo/words'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { loudnessInWords, roomInWords, songInWords } from './loudness-words'
import TermText from '../../ui/marks/TermText.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const player = usePlayer()
const figure = (value: number | null) =>
  value !== null && Number.isFinite(value) && value > -70 ? numberText(value, 1) : '–'
const whole = computed(() => player.measured?.integrated ?? null)
</script>

<template>
  <AppMenu location="top" stays :label="t('loud.tip')">
    <template #opener="{ opener: menu }">
      <RowButton v-bind="menu" class="meters" data-test="meters" :tip="t('loud.tip')">
        <span class="heard">{{ loudnessInWords(player.told.loudness) }}</span>
        <span
          ><b data-test="loudness">{{ figure(player.told.loudness) }}</b
          ><span class="scale"> LUFS</span></span
        >
        <span class="over" :class="{ on: player.peak.over }" data-test="over">{{
          player.peak.over ? t('loud.over') : t('loud.db', { value: figure(player.peak.held) })
        }}</span>
      </RowButton>
    </template>
    <div class="panel">
      <FigureTable :label="t('loud.tip')">
        <tbody>
          <tr>
            <th scope="row">{{ t('loud.now') }}<small>{{ t('loud.now.about') }}</small></th>
            <td>{{ loudnessInWords(player.told.loudness) }}</td>
            <td class="number">{{ t('loud.lufs', { value: figure(player.told.loudness) }) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t('loud.lately') }}<small>{{ t('loud.lately.about') }}</small></th>
            <td>{{ loudnessInWords(player.told.shortTerm) }}</td>
            <td class="number" data-test="short-term">
              {{ t('loud.lufs', { value: figure(player.told.shortTerm) }) }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              {{ t('loud.song') }}<small><TermText :text="t('loud.song.about')" /></small>
            </th>
            <td>{{ songInWords(whole) }}</td>
            <td class="number" data-test="integrated">{{ t('loud.lufs', { value: figure(whole) }) }}</td>
          </tr>
          <tr>
            <th scope="row">
              {{ t('loud.peak') }}<small><TermText :text="t('loud.peak.about')" /></small>
            </th>
            <td>{{ roomInWords(player.truePeak) }}</td>
            <td class="number" data-test="true-peak">
              {{ t('loud.dbtp', { value: figure(player.truePeak) }) }}
            </td>
          </tr>
        </tbody>
      </FigureTable>
      <AppButton v-if="player.peak.over" small @click="player.forgetOver()">
        {{ t('loud.reset') }}
      </AppButton>
    </div>
  </AppMenu>
</template>

<style scoped>
.meters {
  display: grid;
  grid-template-columns: auto auto;
  gap: 0 8px;
  align-items: baseline;
  min-height: 44px;
  padding: 2px 8px;
  border: 0;
  border-radius: 10px;
  background: none;
  color: inherit;
  font: inherit;
  font-size: 13px;
  line-height: 1.3;
  text-align: left;
  cursor: pointer;
}

.meters:hover {
  background: color-mix(in srgb, var(--on-desk) 14%, transparent);
}

.heard {
  grid-row: span 2;
  align-self: center;
  min-width: 62px;
  font-size: 14px;
  text-align: right;
}

b {
  font-size: 15px;
}

.over {
  padding-inline: 5px;
  border-radius: 5px;
}

.over.on {
  background: var(--warm);
  color: var(--sheet);
  font-weight: 700;
}

.panel {
  padding: 12px 18px;
}

th,
td {
  padding: 6px 14px 6px 0;
  text-align: left;
  vertical-align: top;
}

th {
  font-weight: 640;
}

small {
  display: block;
  color: var(--soft);
  font-size: 13px;
  font-weight: 400;
}

.number {
  padding-right: 0;
  text-align: right;
  white-space: nowrap;
}

@media (max-width: 1300px) {
  .heard {
    display: none;
  }

  .meters {
    grid-template-columns: auto;
  }
}

@media (max-width: 1100px) {
  .scale {
    display: none;
  }
}
</style>
