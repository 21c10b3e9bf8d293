import { compileMix, render } from '@rudlo/core/engine'
import { measureLoudness } from '@rudlo/core/loudness'
import { plainMix } from '@rudlo/core/mix'
import { SAMPLE_RATE, TempoMap } from '@rudlo/core/time'
import { describe, expect, it } from 'vitest'
import { played } from '../../test/played'
import { TERM } from '../scenario'
import { eveningFerry, faster, playPart, scoreTicks, soundingStretches } from '.'

const score = eveningFerry
const [, , room] = TERM
const { brief: BRIEF, handIns: HAND_INS, rubric: RUBRIC, start: startingMix } = room!
const { parts, song, audio } = played(score)

/** Mean frequency of a part's sound, by zero crossings of a low-passed copy against a high-passed one: its colour. */
function colour(samples: Int16Array): number {
  let difference = 0
  let energy = 0
  for (let n = 1; n < samples.length; n++) {
    difference += (samples[n]! - samples[n - 1]!) ** 2
    energy += samples[n]! ** 2
  }
  return (SAMPLE_RATE / Math.PI) * Math.asin(Math.min(1, Math.sqrt(difference / (4 * energy))))
}

describe('The Evening Ferry', () => {
  it('has at least eight tracks, five sections and 60 to 90 seconds', () => {
    expect(score.parts.length).toBeGreaterThanOrEqual(8)
    expect(score.sections.length).toBeGreaterThanOrEqual(5)
    const seconds = new TempoMap(score.tempo).secondsAt(scoreTicks(score))
    expect(seconds).toBeGreaterThanOrEqual(60)
    expect(seconds).toBeLessThanOrEqual(90)
  })

  it('is the same every time', () => {
    const again = playPart(score, score.parts[1]!)
    expect(again.channels[0]!.every((v, n) => v === parts[1]!.channels[0]![n])).toBe(true)
  })

  it('has no track that clips, and none that is silent', () => {
    for (const { channels } of parts) {
      const peak = channels.reduce((most, c) => c.reduce((m, v) => Math.max(m, Math.abs(v)), most), 0)
      expect(peak).toBeLessThan(32_767)
      expect(peak).toBeGreaterThan(5000)
      expect(soundingStretches(channels).length).toBeGreaterThan(0)
    }
  })

  it('has at least 12 dB between its quietest and its loudest section', () => {
    const { left, right } = render(compileMix(song, startingMix(plainMix(song))), audio)!
    const tempo = new TempoMap(score.tempo)
    const loudness = score.sections.map(({ tick }, i) => {
      const from = Math.round(tempo.secondsAt(tick) * SAMPLE_RATE)
      const to = Math.round(tempo.secondsAt(score.sections[i + 1]?.tick ?? song.length) * SAMPLE_RATE)
      return measureLoudness(SAMPLE_RATE, [left.subarray(from, to), right.subarray(from, to)]).integrated!
    })
    expect(Math.max(...loudness) - Math.min(...loudness)).toBeGreaterThanOrEqual(12)
  })

  it('gives each player a colour of its own, and no two sections the same notes', () => {
    const colours = parts.map(({ part, channels }) => [part.id, colour(channels[0]!)] as const)
    const pitched = colours.filter(([id]) => !['brushes', 'tide'].includes(id)).map(([, c]) => c)
    expect(Math.max(...pitched) / Math.min(...pitched)).toBeGreaterThan(4)
    expect(new Set(colours.map(([, c]) => Math.round(c / 10))).size).toBe(colours.length)
    const notes = score.sections.map(({ tick }, i) => {
      const to = score.sections[i + 1]?.tick ?? Infinity
      return JSON.stringify(
        score.parts.map((p) =>
          p.notes
            .filter((n) => n.at * 960 >= tick && n.at * 960 < to)
            .map((n) => [n.at - tick / 960, n.pitch]),
        ),
      )
    })
    expect(new Set(notes).size).toBe(notes.length)
  })
})

it('has the same bars in half the time, played twice as fast', () => {
  const half = faster(score, 2)
  expect(scoreTicks(half)).toBe(scoreTicks(score))
  const [whole, short] = [score, half].map((s) => new TempoMap(s.tempo).secondsAt(scoreTicks(s)))
  expect(short! * 2).toBeCloseTo(whole!, 6)
})

describe('the scenario', () => {
  it('asks for three tasks on two tracks of the song', () => {
    expect(BRIEF.tasks).toHaveLength(3)
    const lanes = new Set(BRIEF.tasks.flatMap((t) => t.lanes))
    expect([...lanes].sort()).toEqual([...BRIEF.open].sort())
    expect(lanes.size).toBe(2)
  })

  it('has hand-ins of different quality, some reviewed by the rubric', () => {
    expect(HAND_INS.length).toBeGreaterThanOrEqual(6)
    const reviewed = HAND_INS.filter((h) => h.review)
    expect(reviewed.length).toBeGreaterThan(1)
    for (const { review } of reviewed) {
      expect(Object.keys(review!.marks).sort()).toEqual(RUBRIC.criteria.map((c) => c.id).sort())
      for (const level of Object.values(review!.marks)) expect(RUBRIC.levels[level]).toBeDefined()
    }
  })
})
