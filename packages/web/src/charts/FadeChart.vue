<script setup lang="ts">
/** A fade as it is heard: how much softer it gets, beside the even one; what lies between is shaded. */
import { HOPS, type FadePicture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { beatInWords } from '@rudlo/core/time'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import { t } from '../words/t'
import type { Palette } from '../ui/theme/palette'
import type { PictureOption } from './picture'
import PictureFrame from './PictureFrame.vue'

const props = defineProps<{
  picture: FadePicture
  time: SongTime
  /** What fades. */
  name: string
  position: number
}>()
const emit = defineEmits<{ go: [tick: number] }>()

/** How far down it is drawn: below, nothing is heard. */
const FLOOR = -48

const tickOf = (place: number) => props.time.tempo.tickAt((props.picture.first + place) / HOPS)
const from = computed(() => props.time.meter.barStart(props.time.meter.placeAt(Math.round(tickOf(0))).bar))
const to = computed(() => {
  const last = Math.min(props.time.length, Math.round(tickOf(props.picture.loss.length)))
  const { bar } = props.time.meter.placeAt(Math.max(0, last - 1))
  return Math.min(props.time.length, props.time.meter.barStart(bar + 1))
})

/** A line from hop to hop; nothing is drawn where nothing could be heard. */
const line = (values: readonly (number | null)[]) =>
  values.map((v, i) => [tickOf(i + 0.5), v === null ? null : Math.max(FLOOR, v)])

/** The area between both lines, where there are both. */
const between = computed(() => {
  const { loss, even } = props.picture
  const places = loss.flatMap((l, i) => {
    const e = even[i]
    return l === null || e === null || e === undefined
      ? []
      : [{ tick: tickOf(i + 0.5), loss: Math.max(FLOOR, l), even: Math.max(FLOOR, e) }]
  })
  return [...places.map((p) => [p.tick, p.loss]), ...places.toReversed().map((p) => [p.tick, p.even])] as [
    number,
    number,
  ][]
})

const hopAt = (tick: number) => Math.floor(props.time.tempo.secondsAt(tick) * HOPS) - props.picture.first
const lossAt = (tick: number) => Math.max(FLOOR, props.picture.loss[hopAt(tick)] ?? FLOOR)

interface Coordinates {
  coord(place: readonly [number, number]): number[]
}

const option = (p: Palette): PictureOption => {
  const { heard, gone, still, start, end, way } = props.picture
  const edges = [
    { xAxis: start, label: { formatter: t('heard.begins') } },
    { xAxis: end, label: { formatter: t('heard.ends') } },
  ]
  const notes = [
    { tick: heard, text: t(way === 'out' ? 'heard.first' : 'heard.full') },
    { tick: gone, text: t(way === 'out' ? 'heard.gone' : 'heard.comes') },
  ].flatMap(({ tick, text }) => (tick === null ? [] : [{ tick, text, value: lossAt(tick) }]))
  return {
    yAxis: {
      type: 'value',
      min: FLOOR,
      max: 0,
      interval: 12,
      name: 'LU',
      nameLocation: 'middle',
      nameGap: 34,
      axisLabel: { color: p.soft, formatter: (v: number) => signedText(v, 0) },
      splitLine: { lineStyle: { color: p.rule, opacity: 0.6 } },
    },
    series: [
      {
        type: 'custom',
        silent: true,
        data: [0],
        renderItem: (_: unknown, api: Coordinates) => ({
          type: 'polygon',
          shape: { points: between.value.map((place) => api.coord(place)) },
          style: { fill: p.warm, opacity: 0.18 },
        }),
      },
      {
        type: 'line',
        name: t('heard.even'),
        showSymbol: false,
        data: line(props.picture.even),
        lineStyle: { color: p.soft, width: 1.75, type: 'dashed' },
      },
      {
        type: 'line',
        name: t('heard.loss'),
        showSymbol: false,
        connectNulls: false,
        data: line(props.picture.loss),
        lineStyle: { color: p.family.volume, width: 2.75 },
        markLine: {
          silent: true,
          symbol: 'none',
          lineStyle: { color: p.ink, type: 'dotted' },
          label: { color: p.soft, position: 'end', rotate: 0 },
          data: edges,
        },
        markArea: still
          ? {
              silent: true,
              itemStyle: { color: p.close, opacity: 0.14 },
              data: [[{ xAxis: still.from }, { xAxis: still.to }]],
            }
          : undefined,
        markPoint: {
          symbol: 'circle',
          symbolSize: 11,
          itemStyle: { color: p.sheet, borderColor: p.family.volume, borderWidth: 2.5 },
          label: { position: 'right', color: p.ink },
          data: notes.map(({ tick, text, value }) => ({
            coord: [tick, value],
            value: text,
            label: { formatter: text },
          })),
        },
      },
    ],
  }
}

function say(tick: number): string {
  const loss = props.picture.loss[hopAt(tick)]
  const where = beatInWords(props.time.meter, tick)
  return loss === null || loss === undefined
    ? t('heard.at.nothing', { where })
    : t('heard.at', { where, loss: signedText(loss, 1) })
}
</script>

<template>
  <PictureFrame
    :label="t('heard.fade.label', { name })"
    :time="time"
    :from="from"
    :to="to"
    :position="position"
    :option="option"
    :say="say"
    test="fade-picture"
    @go="(tick) => emit('go', tick)"
  />
</template>
