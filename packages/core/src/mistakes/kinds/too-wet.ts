import { energies, HOPS, hopsIn, sounding } from '../../heard'
import { log10 } from '../../maths'
import { lineInCharge, resolve, withSetting } from '../../mix'
import { raised } from '../../scale'
import { touched } from '../../effective'
import { type Evidence, amount, laneOf, say, secondsOf, span, trackOf, valueOf } from '../../evidence'
import { repaired } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'

/** It has to be so in so many seconds of a section, so that one thrown word does not count. */
const SECONDS = 3

/** Too wet: where the track sounds, its share of the return is louder than itself. */
export const tooWet: MistakeKind = {
  kind: 'too wet',
  needs: 'sound',
  find: (evidence) => {
    const { heard, mix, song, time, start } = evidence
    if (!heard) return []
    return [
      ...tooWetInserts(evidence),
      ...Object.entries(heard.shares).flatMap(([track, share]) => {
        const sends = mix.tracks.find((t) => t.id === track)?.sends ?? []
        // what the starting mix has already is the teacher's
        const changed = sends.filter((s) => {
          const lane = `send/${s.id}/level`
          return lineInCharge(mix, lane) || resolve(start, lane)?.setting !== s.level
        })
        if (!changed.length) return []
        const whole = energies(heard.tracks[track]!)
        const wet = energies(share)
        const on = sounding(heard.tracks[track]!)
        const stretches = song.sections.length
          ? song.sections.map((s, i) => [s.tick, song.sections[i + 1]?.tick ?? song.length] as const)
          : [[0, song.length] as const]
        for (const [from, to] of stretches) {
          const [first, last] = hopsIn(secondsOf(time, from, to), heard.hops)
          let dry = 0
          let echo = 0
          let wetter = 0
          for (let i = first; i < last; i++) {
            if (!on[i]) continue
            const own = Math.max(0, whole[i]! - wet[i]!)
            dry += own
            echo += wet[i]!
            if (wet[i]! > own) wetter++
          }
          if (wetter < SECONDS * HOPS || echo <= dry) continue
          const excess = 10 * log10(echo / Math.max(dry, echo / 1000))
          const name = trackOf(track)
          const send = changed[0]!
          const lane = `send/${send.id}/level`
          return [
            {
              kind: 'too wet',
              severity: 2 as const,
              place: { lane, from, to },
              says: say('mistake.too-wet.says', { name, bars: span(from, to), db: amount(excess, 'dB') }),
              repair: () => {
                const by = -(excess + 3)
                const line = lineInCharge(mix, lane)
                const { scale } = resolve(mix, lane)!.control
                return {
                  label: say('mistake.too-wet.repair', { name, db: amount(-by, 'dB', 0) }),
                  mix: line
                    ? repaired(
                        mix,
                        lane,
                        line.points.map((p) => ({ ...p, value: raised(scale, p.value, by) })),
                      )
                    : withSetting(mix, lane, raised(scale, send.level, by)),
                }
              },
            },
          ]
        }
        return []
      }),
    ]
  },
}

/** An effect on the track itself lets less of the track through than of its echo, where its wet is over this. */
const MORE_WET = 0.6
const RINGS = ['delay', 'reverb']

/** Echo and hall on the track itself. */
function tooWetInserts(evidence: Evidence): Mistake[] {
  const { heard, mix, start, time } = evidence
  return mix.tracks.flatMap((track) =>
    track.effects
      .filter((e) => RINGS.includes(e.kind) && !e.bypass)
      .flatMap((effect) => {
        const lane = `effect/${effect.id}/wet`
        if (!touched(start, mix, lane)) return []
        const on = sounding(heard!.tracks[track.id]!)
        const wet: number[] = []
        on.forEach((sounds, hop) => {
          if (sounds && valueOf(mix, lane, time.tempo.tickAt(hop / HOPS)) > MORE_WET) wet.push(hop)
        })
        if (wet.length < SECONDS * HOPS) return []
        const [from, to] = [wet[0]!, wet.at(-1)! + 1].map((hop) =>
          Math.round(time.tempo.tickAt(hop / HOPS)),
        ) as [number, number]
        const name = trackOf(track.id)
        const line = lineInCharge(mix, lane)
        return {
          kind: 'too wet',
          severity: 2 as const,
          place: { lane, from, to },
          says: say('mistake.too-wet-insert.says', { name, bars: span(from, to), effect: laneOf(lane) }),
          repair: () => ({
            label: say('mistake.too-wet-insert.repair', { name }),
            mix: line
              ? repaired(
                  mix,
                  lane,
                  line.points.map((p) => ({ ...p, value: Math.min(p.value, LESS_WET) })),
                )
              : withSetting(mix, lane, LESS_WET),
          }),
        }
      }),
  )
}

/** A wet that leaves the track in front. */
const LESS_WET = 0.35
