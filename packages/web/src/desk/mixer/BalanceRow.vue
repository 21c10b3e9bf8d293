<script setup lang="ts">
/** One track or return of the balance: how loud, from where, what is sent, and how loud it is in the section that plays. */
import { addSend, removeReturn, type Send } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { loudnessText, type BalanceOwner } from './balance-owners'
import ControlField from './ControlField.vue'
import ControlSlider from './ControlSlider.vue'
import SendCell from './SendCell.vue'
import SoloButton from './SoloButton.vue'
import SwitchButton from './SwitchButton.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const props = defineProps<{
  owner: BalanceOwner
  /** The returns that it may be sent to. */
  feeds: ReadonlySet<string>
  /** LUFS of the loudest track: its bar is full. */
  loudest: number
}>()
const emit = defineEmits<{ effects: [] }>()

const desk = useDesk()
const work = useWork()
const o = computed(() => props.owner)
const nowhere = { lanes: [], from: 0, to: 0 }
const sendTo = (to: string): Send | undefined => o.value.of.sends.find((s) => s.to === to)
/** A bar of 30 LU, full for the loudest. */
const bar = computed(() => {
  const lufs = o.value.loudness
  return lufs === null || lufs === undefined
    ? '0%'
    : `${Math.max(2, 100 - ((props.loudest - lufs) / 30) * 100)}%`
})

function send(to: string, name: string): void {
  work.setMix((m) => addSend(m, o.value.id, to, crypto.randomUUID()), {
    ...nowhere,
    label: t('balance.did.send', { name }),
  })
}

function remove(): void {
  work.setMix((m) => removeReturn(m, o.value.id), {
    ...nowhere,
    label: t('balance.did.return-removed', { name: o.value.name }),
  })
}
</script>

<template>
  <tr :class="o.kind" :data-test="`row-${o.id}`">
    <th scope="row">
      <span class="name">{{ o.name }}</span>
      <span class="role soft">{{ o.role }}</span>
    </th>
    <td class="wide">
      <ControlSlider
        :address="`${o.kind}/${o.id}/level`"
        :label="t('balance.volume', { name: o.name })"
        :peak="o.peak"
      />
    </td>
    <td>
      <ControlField
        :address="`${o.kind}/${o.id}/level`"
        :label="t('balance.volume.typed', { name: o.name })"
      />
    </td>
    <td class="pan">
      <ControlSlider :address="`${o.kind}/${o.id}/pan`" :label="t('balance.pan', { name: o.name })" />
      <v-icon v-if="o.stereo" icon="$width" size="16" :data-tip="t('balance.width.tip')" />
      <ControlField
        v-if="o.stereo"
        class="width"
        :address="`track/${o.id}/width`"
        :label="t('balance.width.typed', { name: o.name })"
        :title="t('balance.width.tip')"
      />
    </td>
    <td v-for="r in work.mix!.returns" :key="r.id" class="send">
      <SendCell v-if="sendTo(r.id)" :send="sendTo(r.id)!" :owner="o.name" :to="r.name" />
      <RowButton
        v-else-if="feeds.has(r.id)"
        class="plus"
        :aria-label="t('balance.send', { name: o.name, to: r.name })"
        :tip="t('balance.send', { name: o.name, to: r.name })"
        @click="send(r.id, r.name)"
      >
        +
      </RowButton>
    </td>
    <td class="switches">
      <SwitchButton
        :address="`${o.kind}/${o.id}/mute`"
        :label="t('balance.mute.label', { name: o.name })"
        :text="t('balance.mute')"
      />
      <SoloButton :kind="o.kind === 'track' ? 'tracks' : 'returns'" :of="o.id" :name="o.name" />
      <AppButton
        small
        :aria-label="t('balance.fx.label', { n: o.of.effects.length, name: o.name })"
        @click="emit('effects')"
      >
        {{ o.of.effects.length ? t('balance.fx.count', { count: o.of.effects.length }) : t('balance.fx') }}
      </AppButton>
      <AppButton
        small
        class="why"
        :aria-label="t('balance.why', { name: o.name })"
        :tip="t('balance.why.tip')"
        @click="desk.asked = `${o.kind}/${o.id}/level`"
      >
        ?
      </AppButton>
    </td>
    <td class="section">
      <template v-if="o.kind === 'track'">
        <span class="loud"><span :style="{ width: bar }" /></span>
        <span class="figure">{{ loudnessText(o.loudness) }}</span>
      </template>
      <RowButton v-else class="link" @click="remove">{{ t('balance.remove') }}</RowButton>
    </td>
  </tr>
</template>

<style scoped>
tr {
  border-top: 1px solid var(--rule);
}

th {
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
  width: 58px;
}

.pan {
  white-space: nowrap;
}

.pan :deep(.slider) {
  display: inline-block;
  width: calc(100% - 80px);
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

.switches :deep(.small) {
  margin-left: 4px;
  padding: 2px 9px;
  font-size: 13px;
}

.switches :deep(.small):first-child {
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

/* a small screen with the brief beside it: every column still fits */
@media (max-width: 1100px) {
  td {
    padding-inline: 3px;
  }

  .wide {
    width: 30%;
    min-width: 90px;
  }

  .pan :deep(.slider) {
    width: calc(100% - 76px);
    min-width: 48px;
  }

  .send {
    min-width: 96px;
  }

  .switches :deep(.small) {
    margin-left: 2px;
    padding: 2px 6px;
  }

  .section {
    min-width: 62px;
  }

  .loud {
    width: 26px;
  }
}

@media (max-height: 700px) {
  .role {
    display: none;
  }

  td,
  th {
    padding-block: 0;
  }
}
</style>
