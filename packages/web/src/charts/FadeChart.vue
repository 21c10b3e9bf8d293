<script setup lang="ts">
/** A fade as it is heard: how much softer it gets, beside the even one; what lies between is shaded. */
import type { FadePicture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { beatInWords } from '@rudlo/core/time'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import { t } from '../words/t'
import type { Palette } from '../ui/theme/palette'
import {
  edgeLabels,
  FLOOR,
  lossAxis,
  type Beside,
  type LegendEntry,
  type PictureOption,
  type Shown,
  type Sides,
} from './picture'
import { barsOfHops, hopAt, tickOfHop } from './hops'
import PictureFrame from './PictureFrame.vue'
import PictureLegend from './PictureLegend.vue'

const props = defineProps<{
  picture: FadePicture
  time: SongTime
  /** What fades. */
  name: string
  position: () => number
  beside?: Beside<FadePicture> | null
  shown?: Shown | undefined
  sides?: Sides | undefined
}>()
const emit = defineEmits<{ go: [tick: number] }>()

const tickOf = (place: number, { first } = props.picture) => tickOfHop(props.time, first + place)
const span = computed(
  () => props.shown ?? barsOfHops(props.time, props.picture.first, props.picture.loss.length),
)

/** A line from hop to hop; nothing is drawn where nothing could be heard. */
const line = (values: readonly (number | null)[], of = props.picture) =>
  values.map((v, i) => [tickOf(i + 0.5, of), v === null ? null : Math.max(FLOOR, v)])

/** Which line is whose, beside the picture. */
const legend = computed((): LegendEntry[] => [
  { name: t('heard.loss'), colour: 'var(--family-volume)', stroke: 'line' },
  { name: t('heard.even'), colour: 'var(--soft)', stroke: 'dashed' },
  ...(props.beside ? [{ name: props.beside.name, colour: 'var(--ink)', stroke: 'dotted' } as const] : []),
])

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

const placeAt = (tick: number) => hopAt(props.time, tick) - props.picture.first
const lossAt = (tick: number) => Math.max(FLOOR, props.picture.loss[placeAt(tick)] ?? FLOOR)

interface Coordinates {
  coord(place: readonly [number, number]): number[]
}

const option = (p: Palette): PictureOption => {
  const { heard, gone, still, start, end, way } = props.picture
  const edges = edgeLabels(
    span.value,
    { tick: start, text: t('heard.begins') },
    { tick: end, text: t('heard.ends') },
  )
  const notes = [
    { tick: heard, text: t(way === 'out' ? 'heard.first' : 'heard.full') },
    { tick: gone, text: t(way === 'out' ? 'heard.gone' : 'heard.comes') },
  ].flatMap(({ tick, text }) => (tick === null ? [] : [{ tick, text, value: lossAt(tick) }]))
  return {
    yAxis: lossAxis(p.soft, p.rule, (lu) => signedText(lu, 0)),
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
      ...(props.beside
        ? [
            {
              type: 'line',
              name: props.beside.name,
              showSymbol: false,
              data: line(props.beside.picture.loss, props.beside.picture),
              lineStyle: { color: p.ink, width: 2, type: 'dotted' },
            },
          ]
        : []),
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
          // under the line that it belongs to, and readable where an edge of the fade goes through it
          label: {
            position: 'right',
            offset: [0, 13],
            padding: [1, 3],
            color: p.ink,
            backgroundColor: p.sheet,
          },
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
  const loss = props.picture.loss[placeAt(tick)]
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
    :from="span.from"
    :to="span.to"
    :position="position"
    :option="option"
    :say="say"
    :sides="sides"
    test="fade-picture"
    @go="(tick) => emit('go', tick)"
  />
  <PictureLegend :entries="legend" />
</template>
