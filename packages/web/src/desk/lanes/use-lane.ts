import { laneName, levelInWords } from '@rudlo/core/assess'
import { valueAt } from '@rudlo/core/envelope'
import { resolve } from '@rudlo/core/mix'
import { beatInWords, placeInWords } from '@rudlo/core/time'
import { computed, shallowRef, watch } from 'vue'
import { useLineEditor, type LineEditor } from '../../editor/lane/line-editor'
import { useWork } from '../../document/work-store'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { usePass } from '../pass/pass-store'
import { useLanesBeside, type LaneBeside } from './lanes-beside'
import { t } from '../../words/t'

/**
 * A lane on the student's desk: whose it is, its line, the hand that edits it, and what is said of it.
 * @param address of the lane, as it is now
 * @param face what hands work on, once it is drawn
 */
export function useLane(address: () => string, face: LaneBeside['face']) {
  const desk = useDesk()
  const work = useWork()
  const player = usePlayer()
  const pass = usePass()

  const addressed = computed(() => resolve(work.mix!, address())!)
  const control = computed(() => addressed.value.control)
  /** By itself, so that what depends on it stays while only the line changes. */
  const setting = computed(() => addressed.value.setting)
  const envelope = computed(() => work.envelope(address()))
  const points = computed(() => envelope.value?.points ?? [])
  const name = computed(() => laneName(desk.song!, work.mix!, address()))
  const spokenName = computed(() => `${name.value}, ${control.value.name.toLowerCase()}`)
  /** Whose lane it is, without what it moves. */
  const owner = computed(() => name.value.split(',')[0]!)
  /** The track whose regions lie behind the lane. */
  const track = computed(() => work.mix!.tracks.find((t) => t.id === addressed.value.owner))

  /** Why nothing can be changed here; empty where it can. */
  const locked = computed(() => {
    if (work.elsewhere) return t('lane.elsewhere')
    if (pass.writing.length) return t('lane.writing')
    if (desk.isOpen(address())) return ''
    return envelope.value?.open === false
      ? t('lane.locked', { name: name.value })
      : t('lane.locked.brief', { name: name.value })
  })
  const beside = useLanesBeside(() => own)
  const editor: LineEditor = useLineEditor({
    points: () => points.value,
    control: () => control.value,
    setting: () => setting.value,
    meter: () => desk.time!.meter,
    songLength: () => desk.song!.length,
    snap: desk.snap,
    spread: (tick) => ({
      how: desk.pointSpread,
      step: desk.cell(tick),
      reach: desk.time!.meter.lengthsAt(tick).bar,
    }),
    laneName: () => t('lane.of', { control: control.value.name.toLowerCase(), name: name.value }),
    address,
    begin: work.begin,
    preview: (next) => work.preview(address(), next),
    settle: work.settle,
    commit: work.commit,
    cancel: work.cancel,
    set: (next, change) => work.setPoints(address(), next, change),
    refuse: (reason) => (work.notice = reason),
    beside: beside.ports,
  })
  const own: LaneBeside = {
    address,
    name: () => name.value,
    control: () => control.value,
    points: () => points.value,
    locked: () => locked.value,
    face,
    editor,
    boxed: shallowRef(null),
  }
  beside.join()

  watch(address, () => editor.keep(-1))
  watch(points, (now) => {
    // what was undone or redone may have fewer points
    if (!editor.drag.value && Math.max(editor.selected.value, ...editor.chosen.value) >= now.length)
      editor.keep(now.length - 1)
  })

  const inCharge = computed(() => points.value.length > 0 && envelope.value?.on !== false && player.moves)
  const at = (tick: number) =>
    inCharge.value ? valueAt(points.value, control.value.scale, tick) : setting.value
  /** What the control has at the play position. */
  const now = computed(() => at(player.position))
  const held = computed(() => editor.drag.value && editor.current.value)
  /** Of the point in hand, else at the play position. */
  const shown = computed(() => held.value?.value ?? at(player.told.position))
  const where = () =>
    held.value
      ? placeInWords(desk.time!.meter, held.value.tick)
      : beatInWords(desk.time!.meter, player.told.position)
  const words = () => {
    if (!player.moves) return t('lane.moves-off')
    if (!points.value.length) return t('lane.no-line')
    return control.value.scale.kind === 'level' ? levelInWords(shown.value) : ''
  }

  /** Values that a control is often set to. */
  const rests = computed(() => {
    const { initial, neutral, scale } = control.value
    const all = [{ text: t('lane.set.default'), value: initial }]
    if (neutral !== initial) all.push({ text: t('lane.set.neutral'), value: neutral })
    if (scale.kind === 'level') all.push({ text: t('lane.set.silence'), value: scale.min })
    all.push({ text: t('lane.set.control'), value: setting.value })
    if (desk.copiedValue && desk.copiedValue.control.unit === control.value.unit)
      all.push({ text: t('lane.set.copied'), value: desk.copiedValue.value })
    return all
  })

  return {
    control,
    points,
    spokenName,
    name,
    owner,
    ownerId: computed(() => addressed.value.owner),
    track,
    locked,
    editor,
    boxed: own.boxed,
    drawBox: beside.drawBox,
    now,
    shown,
    where,
    words,
    rests,
  }
}

/** A lane on the desk. */
export type Lane = ReturnType<typeof useLane>
