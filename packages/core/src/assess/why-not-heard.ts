import { valueAt } from '../envelope'
import { envelopeOf, lineInCharge, resolve, type Address, type Mix, type Send } from '../mix'
import { songTime, type SongVersion } from '../song'
import { amount, say, type Part, type Saying } from '../saying'
import { SAMPLE_RATE } from '../time'

/** Where a cause can be dealt with. */
export type Remedy =
  | { readonly kind: 'control'; readonly address: Address }
  | { readonly kind: 'lane'; readonly address: Address }
  | { readonly kind: 'place'; readonly tick: number }
  | { readonly kind: 'solo' }
  | { readonly kind: 'moves' }

/** One reason why something is not heard, or why a change is not. */
export interface Cause {
  /** What is the matter, as data: `unheard.…`. */
  readonly says: Saying
  readonly remedy: Remedy
}

/** What belongs to the session and not to the mix. */
export interface Listening {
  readonly tick: number
  readonly moves: boolean
  readonly solo: { readonly tracks: readonly string[]; readonly returns: readonly string[] }
  isOpen(address: Address): boolean
}

/** Softer than this is hardly heard beside anything. */
const HARDLY_DB = -48

/**
 * Why a track, a return or one of their controls is not heard at a place, worst first; empty where nothing is in the
 * way. `address` is any control: its owner is looked at first, then the control itself.
 */
export function whyNotHeard(song: SongVersion, mix: Mix, listening: Listening, address: Address): Cause[] {
  const owner = resolve(mix, address)?.owner
  const track = mix.tracks.find((t) => t.id === owner)
  const back = mix.returns.find((r) => r.id === owner)
  const look = new Look(song, mix, listening)
  return [
    ...(track ? look.track(track.id) : []),
    ...(back ? look.back(back.id) : []),
    ...look.main(),
    ...(address.startsWith('send/') ? look.send(address.split('/')[1]!) : []),
    ...(address.startsWith('effect/') ? look.effect(address) : []),
    ...look.control(address),
  ]
}

/** One look at a mix at one place. */
class Look {
  readonly #time
  readonly #here: Part

  constructor(
    song: SongVersion,
    private readonly mix: Mix,
    private readonly listening: Listening,
  ) {
    this.#time = songTime(song)
    this.#here = { at: listening.tick }
  }

  track(id: string): Cause[] {
    return [
      ...this.#muted(`track/${id}/mute`),
      ...this.#soloed(id),
      ...this.#recorded(id),
      ...this.#level(`track/${id}/level`),
    ]
  }

  back(id: string): Cause[] {
    const fed = [...this.mix.tracks, ...this.mix.returns].some((o) =>
      o.sends.some((s) => s.to === id && this.#isFed(s)),
    )
    const unfed: Cause[] = fed
      ? []
      : [
          {
            says: say('unheard.unfed', { name: { lane: `return/${id}/level` }, at: this.#here }),
            remedy: this.#to(`return/${id}/level`),
          },
        ]
    return [
      ...this.#muted(`return/${id}/mute`),
      ...this.#soloed(id),
      ...unfed,
      ...this.#level(`return/${id}/level`),
    ]
  }

  main(): Cause[] {
    return this.#level('main/level')
  }

  send(id: string): Cause[] {
    const send = [...this.mix.tracks, ...this.mix.returns].flatMap((o) => o.sends).find((s) => s.id === id)
    if (!send) return []
    const causes: Cause[] = []
    if (this.#value(`send/${id}/on`) < 0.5) {
      causes.push({ says: say('unheard.send-off'), remedy: this.#to(`send/${id}/on`) })
    }
    return [...causes, ...this.#level(`send/${id}/level`), ...this.back(send.to)]
  }

  effect(address: Address): Cause[] {
    const id = address.split('/')[1]!
    const causes: Cause[] = []
    if (this.#value(`effect/${id}/bypass`) >= 0.5) {
      causes.push({
        says: say('unheard.bypassed'),
        remedy: this.#to(`effect/${id}/bypass`),
      })
    }
    if (this.#value(`effect/${id}/wet`) <= 0.001) {
      causes.push({
        says: say('unheard.dry'),
        remedy: this.#to(`effect/${id}/wet`),
      })
    }
    const { control } = resolve(this.mix, address)!
    const word = address.split('/')[2]
    if (word !== 'wet' && word !== 'bypass' && this.#value(address) === control.neutral) {
      causes.push({
        says: say('unheard.neutral', { name: { lane: address } }),
        remedy: this.#to(address),
      })
    }
    return causes
  }

  /** What keeps a change of the control, or of its line, from being heard. */
  control(address: Address): Cause[] {
    const envelope = envelopeOf(this.mix, address)
    const causes: Cause[] = []
    const lane: Remedy = { kind: 'lane', address }
    if (envelope?.points.length && !this.listening.moves) {
      causes.push({ says: say('unheard.moves-off'), remedy: { kind: 'moves' } })
    }
    if (envelope?.points.length && !envelope.on) causes.push({ says: say('unheard.line-off'), remedy: lane })
    if (!this.listening.isOpen(address)) causes.push({ says: say('unheard.locked'), remedy: lane })
    if (this.listening.moves && lineInCharge(this.mix, address)) {
      causes.push({
        says: say('unheard.line'),
        remedy: lane,
      })
    }
    return causes
  }

  #muted(address: Address): Cause[] {
    if (this.#value(address) < 0.5) return []
    const name: Part = { lane: address.replace('mute', 'level') }
    const says = this.#follows(address)
      ? say('unheard.muted-by-line', { name, at: this.#here })
      : say('unheard.muted', { name })
    return [{ says, remedy: this.#to(address) }]
  }

  #soloed(id: string): Cause[] {
    const { tracks, returns } = this.listening.solo
    if (!tracks.length && !returns.length) return []
    if (tracks.includes(id) || returns.includes(id)) return []
    if (
      !tracks.length &&
      this.mix.tracks.some((t) => t.id === id && t.sends.some((s) => returns.includes(s.to)))
    )
      return []
    const lanes = [...tracks.map((t) => `track/${t}/level`), ...returns.map((r) => `return/${r}/level`)]
    return [{ says: say('unheard.solo', { names: { lanes } }), remedy: { kind: 'solo' } }]
  }

  #recorded(id: string): Cause[] {
    const track = this.mix.tracks.find((t) => t.id === id)!
    const name: Part = { track: id }
    const here = this.#time.tempo.secondsAt(this.listening.tick)
    const spans = track.regions.map((r) => {
      const start = this.#time.tempo.secondsAt(r.start)
      return { region: r, start, end: start + r.length / SAMPLE_RATE }
    })
    const now = spans.find((s) => s.start <= here && here < s.end)
    if (now) {
      if (now.region.level > HARDLY_DB) return []
      const says = say('unheard.region', { name, level: amount(now.region.level, 'dB') })
      return [{ says, remedy: { kind: 'place', tick: now.region.start } }]
    }
    const next = spans.filter((s) => s.start > here).sort((a, b) => a.start - b.start)[0]
    const last = spans.sort((a, b) => b.end - a.end)[0]
    if (!last) return [{ says: say('unheard.empty', { name }), remedy: { kind: 'place', tick: 0 } }]
    return next
      ? [
          {
            says: say('unheard.not-yet', { name, at: { at: next.region.start } }),
            remedy: { kind: 'place', tick: next.region.start },
          },
        ]
      : [
          {
            says: say('unheard.over', { name, at: { at: last.region.start } }),
            remedy: { kind: 'place', tick: last.region.start },
          },
        ]
  }

  #level(address: Address): Cause[] {
    const db = this.#value(address)
    if (db > HARDLY_DB) return []
    const of = { value: db, of: address }
    const isSend = address.startsWith('send/')
    const says = this.#follows(address)
      ? say(isSend ? 'unheard.send-line' : 'unheard.level-line', {
          name: { lane: address },
          value: of,
          at: this.#here,
        })
      : say(isSend ? 'unheard.send-level' : 'unheard.level', { name: { lane: address }, value: of })
    return [{ says, remedy: this.#to(address) }]
  }

  #isFed(send: Send): boolean {
    return this.#value(`send/${send.id}/on`) >= 0.5 && this.#value(`send/${send.id}/level`) > HARDLY_DB
  }

  #follows(address: Address): boolean {
    return this.listening.moves && lineInCharge(this.mix, address) !== undefined
  }

  /** What a control is at now: its line, or its setting. */
  #value(address: Address): number {
    const found = resolve(this.mix, address)
    if (!found) return 0
    const line = this.listening.moves ? lineInCharge(this.mix, address) : undefined
    return line ? valueAt(line.points, found.control.scale, this.listening.tick) : found.setting
  }

  #to(address: Address): Remedy {
    return { kind: this.#follows(address) ? 'lane' : 'control', address }
  }
}
