import { movesOfMix, type Measurement } from '../assess'
import type { SectionBalance } from '../heard'
import {
  allLanes,
  lineInCharge,
  resolve,
  type Address,
  type Mix,
  type TrackMix,
  type ReturnMix,
} from '../mix'
import type { Move } from '../moves'
import { songTime, type SongVersion } from '../song'
import { lineDifference, lineOf, type LineDifference } from './line-difference'
import { matchMoves } from './match-moves'

/** A mix to compare, with what is known of it already. */
export interface Version {
  readonly mix: Mix
  /** What was measured of it; without it moves are found anew, and loudness and balance are left out. */
  readonly measured?: Pick<Measurement, 'moves' | 'integrated' | 'balance'> | null
}

/** A move before and after: null on the side where there is none. */
export interface MoveChange {
  readonly lane: Address
  readonly before: Move | null
  readonly after: Move | null
}

/** A setting of a control that no line moves, before and after, in its unit. */
export interface SettingChange {
  readonly address: Address
  readonly before: number
  readonly after: number
}

/** Something that is there in one mix only. */
export interface PartChange {
  readonly what: 'effect' | 'send' | 'return' | 'region'
  readonly change: 'added' | 'taken out' | 'changed'
  /** Track or return that it is on; of a return its own id. */
  readonly owner: string
  /** What it is called. */
  readonly name: string
}

/** How far the lead over the rest, or a track in the mix, moved in a section, in LU. */
export interface BalanceChange {
  readonly section: string
  /** Of the lead over the rest; null where one of the mixes has none there. */
  readonly lead: number | null
  readonly tracks: Readonly<Record<string, number>>
}

/** Everything in which two mixes of one song differ. */
export interface Difference {
  readonly moves: readonly MoveChange[]
  readonly settings: readonly SettingChange[]
  readonly parts: readonly PartChange[]
  /** Of lanes whose lines differ, the greatest first in travel. */
  readonly lines: readonly LineDifference[]
  readonly balance: readonly BalanceChange[]
  /** LU that the whole is louder by; null where it is not known. */
  readonly louder: number | null
}

/** Compares two mixes of one song: before with after. */
export function compareMixes(song: SongVersion, before: Version, after: Version): Difference {
  const time = songTime(song)
  const moves = (v: Version) => v.measured?.moves ?? movesOfMix(song, v.mix)
  const changedLanes = lanesThatDiffer(before.mix, after.mix)
  const pairs = matchMoves(
    moves(before).filter((m) => changedLanes.has(m.lane)),
    moves(after).filter((m) => changedLanes.has(m.lane)),
    time,
  )
  const lines = [...changedLanes].flatMap((lane) => {
    const found = resolve(after.mix, lane) ?? resolve(before.mix, lane)
    const [old, now] = [lineOf(before.mix, lane), lineOf(after.mix, lane)]
    if (!found || !old || !now) return []
    const difference = lineDifference(lane, found.control.scale, [old, now], time)
    return difference.greatest > 0 ? [difference] : []
  })
  const [was, is] = [before.measured?.integrated ?? null, after.measured?.integrated ?? null]
  return {
    moves: pairs.map(({ model, student }) => ({
      lane: (student ?? model)!.lane,
      before: model,
      after: student,
    })),
    settings: settingsThatDiffer(before.mix, after.mix),
    parts: partsThatDiffer(before.mix, after.mix),
    lines,
    balance: balanceChanges(before.measured?.balance, after.measured?.balance),
    louder: was === null || is === null ? null : is - was,
  }
}

/** Lanes on which what is in charge is not the same line in both. */
function lanesThatDiffer(before: Mix, after: Mix): Set<Address> {
  const lanes = new Set([...before.envelopes, ...after.envelopes].map((e) => e.address))
  const line = (mix: Mix, lane: Address) => lineInCharge(mix, lane)?.points ?? null
  return new Set(
    [...lanes].filter((lane) => {
      const [a, b] = [line(before, lane), line(after, lane)]
      return a !== b && JSON.stringify(a) !== JSON.stringify(b)
    }),
  )
}

function settingsThatDiffer(before: Mix, after: Mix): SettingChange[] {
  return allLanes(after).flatMap((address) => {
    const [was, is] = [resolve(before, address), resolve(after, address)]
    if (!was || !is || was.setting === is.setting || lineInCharge(after, address)) return []
    return [{ address, before: was.setting, after: is.setting }]
  })
}

const owners = (mix: Mix): readonly (TrackMix | ReturnMix)[] => [...mix.tracks, ...mix.returns]

function partsThatDiffer(before: Mix, after: Mix): PartChange[] {
  const changes: PartChange[] = []
  const compare = (
    what: PartChange['what'],
    of: (mix: Mix) => readonly { readonly owner: string; readonly id: string; readonly name: string }[],
  ) => {
    const [was, is] = [of(before), of(after)]
    for (const { id, owner, name } of is)
      if (!was.some((w) => w.id === id)) changes.push({ what, change: 'added', owner, name })
    for (const { id, owner, name } of was)
      if (!is.some((w) => w.id === id)) changes.push({ what, change: 'taken out', owner, name })
  }
  compare('return', (mix) => mix.returns.map((r) => ({ owner: r.id, id: r.id, name: r.name })))
  compare('effect', (mix) =>
    owners(mix).flatMap((o) => o.effects.map((e) => ({ owner: o.id, id: e.id, name: e.name || e.kind }))),
  )
  compare('send', (mix) =>
    owners(mix).flatMap((o) =>
      o.sends.map((s) => ({
        owner: o.id,
        id: s.id,
        name: mix.returns.find((r) => r.id === s.to)?.name ?? '',
      })),
    ),
  )
  for (const track of after.tracks) {
    const old = before.tracks.find((t) => t.id === track.id)
    if (old && JSON.stringify(old.regions) !== JSON.stringify(track.regions))
      changes.push({ what: 'region', change: 'changed', owner: track.id, name: '' })
  }
  return changes
}

function balanceChanges(
  before: readonly SectionBalance[] | undefined,
  after: readonly SectionBalance[] | undefined,
): BalanceChange[] {
  return (after ?? []).flatMap((now) => {
    const old = before?.find((b) => b.section === now.section)
    if (!old) return []
    const apart = (a: number | null | undefined, b: number | null) =>
      a === null || a === undefined || b === null ? null : b - a
    const tracks = Object.entries(now.tracks).flatMap(([id, lu]) => {
      const change = apart(old.tracks[id], lu)
      return change === null ? [] : [[id, change] as const]
    })
    return [{ section: now.section, lead: apart(old.lead, now.lead), tracks: Object.fromEntries(tracks) }]
  })
}
