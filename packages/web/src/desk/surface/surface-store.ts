import { laneName } from '@rudlo/core/assess'
import { lineInCharge, resolve, withSetting } from '@rudlo/core/mix'
import {
  motorBytes,
  RIG_MAP,
  STRIPS,
  SurfaceReader,
  Takeover,
  type SurfaceEvent,
  type SurfaceMap,
} from '@rudlo/core/surface'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { usePass } from '../pass/pass-store'
import { useWork } from '../../document/work-store'
import { internalPort, type SurfacePort } from './surface-port'
import { t } from '../../words/t'

/** A motor is sent on its way where its control is so far from where it was sent last, in travel. */
const STEP = 0.001
/** Every motor is told again after so long: a surface that was away for a moment is right again, in ms. */
const REFRESH_MS = 1000
/** A fader without a touch sense counts as let go so long after its last move, in ms. */
const IDLE_MS = 450
/** MIDI's active sensing: who sends it once sends it always. Silent for so long, it counts as gone, in ms. */
const SENSING = 0xfe
const GONE_MS = 3000

/** The surface that is connected: its strips are the tracks of the bank, then the returns. */
export const useSurface = defineStore('surface', () => {
  const work = useWork()
  const desk = useDesk()
  const player = usePlayer()
  const pass = usePass()
  const bank = ref(0)
  const connected = ref(false)
  /** Where the practice rig is, if it is out. */
  const rig = ref<'panel' | 'window' | null>(null)

  let port: SurfacePort | null = null
  let refresh: ReturnType<typeof setInterval> | undefined
  let map: SurfaceMap = RIG_MAP
  let reader = new SurfaceReader(map)
  /** When active sensing came last; null from a surface that does not send it. */
  let sensed: number | null = null
  const touched = new Set<string>()
  /** Where each motor was sent last. */
  let sent: number[] = []
  const idle = new Map<string, ReturnType<typeof setTimeout>>()
  /** Of faders without motors: whether each has met its control. */
  const soft = new Map<string, Takeover>()
  /** The control whose setting is being moved. */
  let moving: string | null = null

  const owners = computed(() => {
    const { tracks, returns } = work.mix ?? { tracks: [], returns: [] }
    return [...tracks.map((t) => `track/${t.id}`), ...returns.map((r) => `return/${r.id}`)]
  })
  const banks = computed(() => Math.max(1, Math.ceil(owners.value.length / STRIPS)))

  function addressOf(kind: 'fader' | 'knob', strip: number): string | null {
    const owner = owners.value[bank.value * STRIPS + strip]
    return owner ? `${owner}/${kind === 'fader' ? 'level' : 'pan'}` : null
  }

  /** Connects a surface; one that was connected is let go. */
  function connect(to: SurfacePort, by: SurfaceMap): void {
    disconnect()
    port = to
    connected.value = true
    to.listen((bytes) => {
      if (bytes.includes(SENSING)) sensed = Date.now()
      for (const event of reader.feed(bytes)) take(event)
    })
    to.onLost?.(lose)
    remap(by)
    refresh = setInterval(() => {
      if (sensed !== null && Date.now() - sensed > GONE_MS) return lose()
      sent = []
      follow()
    }, REFRESH_MS)
  }

  /** What the connected surface sends is read by another map from now on. */
  function remap(by: SurfaceMap): void {
    map = by
    reader = new SurfaceReader(by)
    soft.clear()
    sent = []
    follow()
  }

  /** The surface was pulled out, or its window closed. */
  function lose(): void {
    const wrote = [...touched].some((address) => pass.holds(address))
    disconnect()
    work.notice = wrote ? t('surface.gone.writing') : t('surface.gone')
    if (wrote) pass.end()
  }

  /** The surface is gone: a pass that it was writing ends at this moment. */
  function disconnect(): void {
    for (const address of [...touched]) letGo(address)
    settle(moving)
    soft.clear()
    for (const timer of idle.values()) clearTimeout(timer)
    idle.clear()
    clearInterval(refresh)
    port?.close()
    port = null
    sensed = null
    connected.value = false
    rig.value = null
  }

  /** Takes the practice rig out: as a panel here, or in a window of its own. */
  function openRig(where: 'panel' | 'window' = 'panel'): void {
    if (where === 'window' && !window.open('/rig', 'rudlo-rig', 'popup,width=700,height=280')) {
      work.notice = t('surface.no-window')
      return
    }
    if (rig.value === null) connect(internalPort('desk'), RIG_MAP)
    rig.value = where
  }

  function take(event: SurfaceEvent): void {
    if (!work.mix || !desk.song) return
    switch (event.kind) {
      case 'play':
        return void (player.playing || player.play())
      case 'stop':
        return player.stop()
      case 'bank':
        bank.value = Math.min(banks.value - 1, Math.max(0, bank.value + event.by))
        sent = []
        soft.clear()
        return follow()
      case 'touch': {
        const address = addressOf('fader', event.strip)
        if (address) touch(address, event.on)
        return
      }
      case 'fader':
      case 'knob': {
        const address = addressOf(event.kind, event.strip)
        if (address) move(address, event.travel, event.kind === 'fader' && map.touches[event.strip] !== null)
      }
    }
  }

  function touch(address: string, on: boolean): void {
    if (!on) return letGo(address)
    touched.add(address)
    desk.touch(address)
    if (pass.takes(address)) pass.grab(address, desk.valueAt(address, player.position))
  }

  function letGo(address: string): void {
    touched.delete(address)
    if (pass.holds(address)) pass.release(address)
    settle(address)
    follow()
  }

  /** Moves a control to a travel. `feels`: a touch sense says when it is let go. */
  function move(address: string, travel: number, feels: boolean): void {
    const found = resolve(work.mix!, address)
    if (!found) return
    const { scale } = found.control
    if (!map.motors && !meets(address, travel, scale.toTravel(desk.valueAt(address, player.position)))) return
    const value = scale.toValue(travel)
    if (pass.holds(address)) return pass.move(address, value)
    if (pass.takes(address)) return pass.tap(address, desk.valueAt(address, player.position), value)
    if (lineInCharge(work.mix!, address) && player.moves) {
      desk.touch(address)
      desk.asked = address
      return
    }
    if (moving !== address) settle(moving)
    if (moving === null) work.begin()
    moving = address
    work.previewMix((mix) => withSetting(mix, address, value))
    if (feels) return
    clearTimeout(idle.get(address))
    idle.set(
      address,
      setTimeout(() => settle(address), IDLE_MS),
    )
  }

  function meets(address: string, travel: number, control: number): boolean {
    const takeover = soft.get(address) ?? new Takeover()
    soft.set(address, takeover)
    return takeover.takes(travel, control)
  }

  /** What was moved becomes one step. */
  function settle(address: string | null): void {
    if (!address || moving !== address) return
    moving = null
    const { control, setting } = resolve(work.mix!, address)!
    work.commit({
      label: t('surface.did', {
        control: control.name.toLowerCase(),
        owner: laneName(desk.song!, work.mix!, address).split(',')[0]!,
        value: control.unit.format(setting),
      }),
      lanes: [address],
      from: 0,
      to: desk.song!.length,
    })
  }

  /** Sends every motor to where its control stands, but those that a finger is on. */
  function follow(): void {
    if (!port || !map.motors || !work.mix) return
    for (let strip = 0; strip < STRIPS; strip++) {
      for (const [k, kind] of (['fader', 'knob'] as const).entries()) {
        const address = addressOf(kind, strip)
        const found = address && resolve(work.mix, address)
        if (!address || !found || touched.has(address)) continue
        const value = player.moves ? desk.valueAt(address, player.position) : found.setting
        const travel = found.control.scale.toTravel(value)
        const place = 2 * strip + k
        if (Math.abs((sent[place] ?? -1) - travel) < STEP) continue
        sent[place] = travel
        port.send(motorBytes((kind === 'fader' ? map.faders : map.knobs)[strip]!, travel))
      }
    }
  }

  watch([() => player.position, () => work.mix, () => player.moves], follow)

  return { bank, banks, connected, rig, connect, remap, disconnect, openRig }
})
