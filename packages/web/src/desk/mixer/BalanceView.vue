<script setup lang="ts">
/** One row a track and a return: how loud, from where, what is sent; and who is how loud in the section that plays. */
import { EFFECTS, EFFECT_KINDS, type EffectKind } from '@rudlo/core/effects'
import { addReturn, addSend, removeReturn, type Send } from '@rudlo/core/mix'
import { numberText } from '@rudlo/core/scale'
import { sectionAt } from '@rudlo/core/song'
import { computed, ref } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import ControlField from './ControlField.vue'
import ControlSlider from './ControlSlider.vue'
import ChainDialog from './ChainDialog.vue'
import SendCell from './SendCell.vue'
import SoloButton from './SoloButton.vue'
import SwitchButton from './SwitchButton.vue'

const desk = useDesk()
const work = useWork()
const player = usePlayer()
/** The track or return whose effects are open. */
const chain = ref<string | null>(null)

const song = computed(() => desk.song!)
const mix = computed(() => work.mix!)
const section = computed(() => sectionAt(song.value, player.position) ?? song.value.sections[0])
const ends = computed(() => {
  const i = song.value.sections.findIndex((s) => s.id === section.value?.id)
  return song.value.sections[i + 1]?.tick ?? song.value.length
})
/** LUFS of each track in the section; null for silence, or while it is not known. */
const loudness = computed(() =>
  // the mix and the table are named so that this follows them
  player.instant && mix.value
    ? song.value.tracks.map((_, i) => player.trackLoudness(i, section.value?.tick ?? 0, ends.value))
    : [],
)
const loudest = computed(() => Math.max(-60, ...loudness.value.map((v) => v ?? -60)))
/** A bar of 30 LU, full for the loudest. */
const bar = (lufs: number | null | undefined) =>
  lufs === null || lufs === undefined ? '0%' : `${Math.max(2, 100 - ((loudest.value - lufs) / 30) * 100)}%`

const everything = { lanes: [], from: 0, to: 0 }
/** For a return: what rings comes first. */
const RINGING = ['decay', 'repeats']
const rank = (kind: EffectKind) => -1 - RINGING.toReversed().indexOf(EFFECTS[kind].picture ?? '')
const KINDS = [...EFFECT_KINDS].sort((a, b) => rank(a) - rank(b))

function add(kind: EffectKind): void {
  const name = EFFECTS[kind].name
  const ids = { back: crypto.randomUUID(), effect: crypto.randomUUID() }
  work.setMix((m) => addReturn(m, name, kind, ids), { ...everything, label: `Added the return ${name}` })
}

function chosen(select: HTMLSelectElement): void {
  add(select.value as EffectKind)
  select.value = ''
}

/** Everything as it was given out; the lines too. One step, undoable. */
function startAgain(): void {
  const start = desk.given!.startingMix
  work.setMix(() => start, { label: 'Back to the starting mix', lanes: [], from: 0, to: song.value.length })
}

function send(owner: string, to: string): void {
  const name = mix.value.returns.find((r) => r.id === to)!.name
  work.setMix((m) => addSend(m, owner, to, crypto.randomUUID()), {
    ...everything,
    label: `Added a send to ${name}`,
  })
}

const sendOf = (owner: { sends: readonly Send[] }, to: string) => owner.sends.find((s) => s.to === to)
const owners = computed(() => [
  ...song.value.tracks.map((t, i) => ({
    kind: 'track' as const,
    id: t.id,
    name: t.name,
    role: t.role,
    stereo: t.channels === 2,
    of: mix.value.tracks[i]!,
    peak: player.trackPeaks[i],
    loudness: loudness.value[i],
  })),
  ...mix.value.returns.map((r, i) => ({
    kind: 'return' as const,
    id: r.id,
    name: r.name,
    role: 'return',
    stereo: false,
    of: r,
    peak: player.returnPeaks[i],
    loudness: undefined,
  })),
])
const mayFeed = (kind: 'track' | 'return', index: number, target: number) =>
  kind === 'track' || index - song.value.tracks.length < target
</script>

<template>
  <section class="sheet balance" aria-label="Balance">
    <table>
      <thead>
        <tr>
          <th scope="col">Track</th>
          <th scope="col" class="wide" colspan="2">Volume</th>
          <th scope="col">Pan</th>
          <th v-for="r in mix.returns" :key="r.id" scope="col">to {{ r.name }}</th>
          <th scope="col"><span class="unseen">Switches</span></th>
          <th scope="col" class="section">Loudness in {{ section?.letter }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(o, index) in owners" :key="o.id" :class="o.kind" :data-test="`row-${o.id}`">
          <th scope="row">
            <span class="name">{{ o.name }}</span>
            <span class="role soft">{{ o.role }}</span>
          </th>
          <td class="wide">
            <ControlSlider
              :address="`${o.kind}/${o.id}/level`"
              :label="`Volume of ${o.name}`"
              :peak="o.peak"
            />
          </td>
          <td>
            <ControlField :address="`${o.kind}/${o.id}/level`" :label="`Volume of ${o.name} as text`" />
          </td>
          <td class="pan">
            <ControlSlider :address="`${o.kind}/${o.id}/pan`" :label="`Pan of ${o.name}`" />
            <ControlField
              v-if="o.stereo"
              class="width"
              :address="`track/${o.id}/width`"
              :label="`Width of ${o.name} as text`"
              title="Width: 0 % is mono"
            />
          </td>
          <td v-for="(r, target) in mix.returns" :key="r.id" class="send">
            <SendCell v-if="sendOf(o.of, r.id)" :send="sendOf(o.of, r.id)!" :owner="o.name" :to="r.name" />
            <button
              v-else-if="mayFeed(o.kind, index, target)"
              class="plus"
              :aria-label="`Send ${o.name} to ${r.name}`"
              :title="`Send ${o.name} to ${r.name}`"
              @click="send(o.id, r.id)"
            >
              +
            </button>
          </td>
          <td class="switches">
            <SwitchButton :address="`${o.kind}/${o.id}/mute`" :label="`Mute ${o.name}`" text="mute" />
            <SoloButton :kind="o.kind === 'track' ? 'tracks' : 'returns'" :of="o.id" :name="o.name" />
            <button
              class="chip"
              :aria-label="`fx ${o.of.effects.length || ''} on ${o.name}`"
              @click="chain = o.id"
            >
              {{ o.of.effects.length ? `fx ${o.of.effects.length}` : 'fx' }}
            </button>
            <button
              class="chip why"
              :aria-label="`Why can’t I hear ${o.name}?`"
              title="Why can’t I hear it?"
              @click="desk.asked = `${o.kind}/${o.id}/level`"
            >
              ?
            </button>
          </td>
          <td class="section">
            <template v-if="o.kind === 'track'">
              <span class="loud"><span :style="{ width: bar(o.loudness) }" /></span>
              <span class="figure">{{
                typeof o.loudness === 'number' ? numberText(o.loudness, 0) : 'silent'
              }}</span>
            </template>
            <button
              v-else
              class="link"
              @click="
                work.setMix((m) => removeReturn(m, o.id), {
                  ...everything,
                  label: `Removed the return ${o.name}`,
                })
              "
            >
              Remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="foot">
      <label>
        Add a return with
        <select :value="''" data-test="add-return" @change="chosen($event.target as HTMLSelectElement)">
          <option value="" disabled>choose an effect</option>
          <option v-for="k in KINDS" :key="k" :value="k">{{ EFFECTS[k].name }}</option>
        </select>
      </label>
      <button class="chip" data-test="start-again" @click="startAgain">Back to the starting mix</button>
      <span class="soft"
        >LUFS, each track by itself and dry. A double click returns a control to its default.</span
      >
    </p>
    <ChainDialog v-if="chain" :owner="chain" @close="chain = null" />
  </section>
</template>

<style scoped>
.balance {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 4px 14px 8px;
}

table {
  width: 100%;
  border-collapse: collapse;
}

thead th {
  position: sticky;
  top: -4px;
  z-index: 2;
  padding: 5px 6px;
  background: var(--sheet);
  color: var(--soft);
  font-size: 13px;
  font-weight: 560;
  text-align: left;
  white-space: nowrap;
}

tbody tr {
  border-top: 1px solid var(--rule);
}

tbody th {
  padding: 3px 12px 3px 0;
  text-align: left;
  white-space: nowrap;
}

.name {
  display: block;
  font-weight: 640;
  line-height: 1.15;
}

.role {
  font-size: 13px;
  font-weight: 400;
}

tr.return th .name::before {
  content: '↳ ';
}

td {
  padding: 3px 6px;
}

.wide {
  width: 40%;
  min-width: 170px;
}

.pan {
  min-width: 84px;
}

.pan :deep(.width) {
  width: 68px;
}

.pan {
  white-space: nowrap;
}

.pan :deep(.slider) {
  display: inline-block;
  width: calc(100% - 72px);
  min-width: 64px;
  vertical-align: middle;
}

.pan :deep(.slider):only-child {
  width: 100%;
}

.send {
  min-width: 112px;
}

.switches {
  white-space: nowrap;
}

.switches .chip {
  margin-left: 4px;
  padding: 2px 9px;
  font-size: 13px;
}

.switches .chip:first-child {
  margin-left: 0;
}

.plus,
.link {
  min-width: 32px;
  min-height: 32px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--soft);
  font: inherit;
  cursor: pointer;
}

.plus:hover,
.link:hover {
  background: var(--wash);
  color: var(--ink);
}

.section {
  min-width: 118px;
}

td.section {
  white-space: nowrap;
}

.loud {
  display: inline-block;
  width: 74px;
  height: 10px;
  border-radius: 5px;
  background: var(--wash);
  overflow: hidden;
}

.loud span {
  display: block;
  height: 100%;
  background: var(--family-volume);
}

.figure {
  margin-left: 8px;
  font-size: 14px;
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
  font-size: 14px;
}

.foot select {
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

@media (max-height: 700px) {
  .role {
    display: none;
  }

  td,
  tbody th {
    padding-block: 0;
  }
}
</style>
