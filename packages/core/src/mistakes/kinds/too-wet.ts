import { energies, HOPS, hopsIn, sounding } from '../../heard'
import { log10 } from '../../maths'
import { lineInCharge, resolve, withSetting } from '../../mix'
import { raised } from '../../scale'
import { bars, say, secondsOf, trackName } from '../../evidence'
import { repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** It has to be so in so many seconds of a section, so that one thrown word does not count. */
const SECONDS = 3

/** Too wet: where the track sounds, its share of the return is louder than itself. */
export const tooWet: MistakeKind = {
  kind: 'too wet',
  name: 'Too wet',
  needs: 'sound',
  find: (evidence) => {
    const { heard, mix, song, time, start } = evidence
    if (!heard) return []
    return Object.entries(heard.shares).flatMap(([track, share]) => {
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
        const name = trackName(evidence, track)
        const send = changed[0]!
        const lane = `send/${send.id}/level`
        return [
          {
            kind: 'too wet',
            severity: 2 as const,
            place: { lane, from, to },
            sentence: say(
              'Listen to {name} in {bars}: its echo is louder than itself, by {db} dB. Turn the send down until you can tell where the sound begins.',
              { name, bars: bars(evidence, from, to), db: excess.toFixed(1) },
            ),
            repair: () => {
              const by = -(excess + 3)
              const line = lineInCharge(mix, lane)
              const { scale } = resolve(mix, lane)!.control
              return {
                label: `Turned the send of ${name} down by ${Math.round(-by)} dB`,
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
    })
  },
}
