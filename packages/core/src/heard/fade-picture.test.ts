import { describe, expect, it } from 'vitest'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { point, type Points } from '../envelope'
import { addReturn, addSend, plainMix, tapSend, trackLevel, withSetting, type Mix } from '../mix'
import { songTime } from '../song'
import { SAMPLE_RATE } from '../time'
import { fadesOn, hearFade, HOPS, RecentParts, type DrawnFade, type FadePicture } from '.'

const BAR = 3840
const LANE = trackLevel('reed')
const song = smallSong(8)
const time = songTime(song)
const tone = (n: number) => Math.round(9000 * Math.sin((2 * Math.PI * 440 * n) / SAMPLE_RATE))
const audio = audioFor(song, tone)

/** What was played before is not played again. */
const parts = new RecentParts()

/** The picture of a fade of the reed that is drawn with these points. */
function pictureOf(fade: DrawnFade, points: Points, mix: Mix = plainMix(song), sound = audio): FadePicture {
  const cache = sound === audio ? parts : new RecentParts()
  return hearFade(song, withLine(song, 'reed', points, mix), sound, { lane: LANE, ...fade }, cache)!
}

const out: DrawnFade = { start: BAR, end: 3 * BAR, from: 0, to: -90 }
const straight = [point(BAR, 0), point(3 * BAR, -90)]
const seconds = (tick: number) => time.tempo.secondsAt(tick)

describe('a fade', () => {
  it('that is straight is the even one, to a tenth of an LU, hop by hop', () => {
    const { loss, even, way } = pictureOf(out, straight)
    expect(way).toBe('out')
    loss.forEach((l, i) => {
      // where the gain falls by dozens of dB within a hop, the middle of it says little
      if (even[i] === null || even[i]! < -30) return
      expect(Math.abs(l! - even[i]!)).toBeLessThan(0.1)
    })
  })

  it('has the loss of the line that is drawn, where it is heard and gone', () => {
    // by 6 dB at once, and after a while by 54 more
    const steps = [point(0, 0, 'jump'), point(BAR, -6, 'jump'), point(2 * BAR, -60, 'jump')]
    const { first, loss, heard, gone, still } = pictureOf({ ...out, to: -60 }, steps)
    const at = (tick: number) => loss[Math.round(seconds(tick) * HOPS) - first]
    expect(at(BAR - 960)).toBe(0)
    expect(at(1.5 * BAR)).toBeCloseTo(-6, 1)
    expect(at(2.5 * BAR)).toBeCloseTo(-60, 1)
    expect(Math.abs(seconds(heard!) - seconds(BAR))).toBeLessThanOrEqual(1 / HOPS)
    expect(Math.abs(seconds(gone!) - seconds(2 * BAR))).toBeLessThanOrEqual(1 / HOPS)
    // nothing moves between the two steps
    expect(seconds(still!.to) - seconds(still!.from)).toBeGreaterThan(1.6)
  })

  it('in is read from its end: out of nothing, and to the loud end', () => {
    const fade: DrawnFade = { start: BAR, end: 3 * BAR, from: -90, to: -6 }
    const { way, loss, heard, gone, steepest } = pictureOf(fade, [point(BAR, -90), point(3 * BAR, -6)])
    expect(way).toBe('in')
    expect(loss.at(-1)).toBeCloseTo(0, 1)
    expect(heard!).toBeGreaterThan(2.5 * BAR)
    expect(heard!).toBeLessThanOrEqual(3 * BAR)
    expect(gone!).toBeGreaterThan(BAR)
    expect(gone!).toBeLessThan(1.6 * BAR)
    // an even fade is steepest where it is softest
    expect(steepest!.tick).toBeLessThan(2 * BAR)
  })

  it('that never reaches silence is never gone, and one that does not move is never heard', () => {
    const shallow = pictureOf({ ...out, to: -12 }, [point(BAR, 0), point(3 * BAR, -12)])
    expect([shallow.gone, shallow.heard === null]).toEqual([null, false])
    const flat = pictureOf({ ...out, to: 0 }, [point(BAR, 0), point(3 * BAR, 0)])
    expect([flat.heard, flat.gone, flat.steepest]).toEqual([null, null, null])
  })

  it('over a rest says nothing where nothing could be heard', () => {
    const rests = audioFor(song, (n) => (n > 3.5 * SAMPLE_RATE && n < 5 * SAMPLE_RATE ? 0 : tone(n)))
    const { first, loss } = pictureOf(out, straight, plainMix(song), rests)
    expect(loss[42 - first]).toBeNull()
    expect(loss[25 - first]).not.toBeNull()
  })

  it('whose echo stays is not gone: the loss is of all that is heard of the track', () => {
    const sent = addSend(
      addReturn(plainMix(song), 'Hall', 'reverb', { back: 'h', effect: 'fx' }),
      'reed',
      'h',
      's',
    )
    const before = withSetting(tapSend(sent, 's', 'pre'), 'send/s/level', 0)
    const dry = pictureOf(out, straight)
    const wet = pictureOf(out, straight, before)
    expect(dry.gone).not.toBeNull()
    expect(wet.gone).toBeNull()
  })

  it('is found on the line of a level, and on no other', () => {
    const mix = withLine(song, 'reed', straight)
    expect(fadesOn(song, mix, LANE).map((m) => [m.kind, m.start, m.end])).toEqual([
      ['fade out', BAR, 3 * BAR],
    ])
    expect(fadesOn(song, mix, 'track/reed/pan')).toEqual([])
    expect(fadesOn(song, mix, 'main/level')).toEqual([])
    expect(() => hearFade(song, mix, audio, { lane: 'main/level', ...out }, parts)).toThrow(RangeError)
    expect(hearFade(song, mix, audio, { lane: LANE, ...out }, new RecentParts(), () => false)).toBeNull()
  })
})
