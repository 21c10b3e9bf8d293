import { describe, expect, it } from 'vitest'
import { Portamento } from './portamento'

const [TIME, SWITCH, FROM, OFF, ON] = [5, 65, 84, 0, 127]

/** Where the notes of chords, each a quarter after the one before, slide from. */
function slides(
  controllers: readonly (readonly [number, number])[],
  chords: readonly (readonly number[])[],
): (number | null)[] {
  const portamento = new Portamento()
  for (const [controller, value] of controllers) portamento.control(controller, value)
  return chords.flatMap((pitches, i) => pitches.map((p) => portamento.begin(p, i * 960)?.from ?? null))
}

describe('sliding from note to note', () => {
  it('goes from the note before, and not where that is the same', () => {
    const on = [
      [SWITCH, ON],
      [TIME, 64],
    ] as const
    expect(slides(on, [[60], [67], [67]])).toEqual([null, 60, null])
  })

  it('is none where it is off, or takes no time', () => {
    expect(slides([[TIME, 64]], [[60], [67]])).toEqual([null, null])
    expect(slides([[SWITCH, ON]], [[60], [67]])).toEqual([null, null])
    const portamento = new Portamento()
    for (const [controller, value] of [
      [SWITCH, ON],
      [TIME, 64],
      [SWITCH, OFF],
    ] as const)
      portamento.control(controller, value)
    portamento.begin(60, 0)
    expect(portamento.begin(67, 960)).toBeUndefined()
  })

  it('takes as long as it is told, quick ones told finely', () => {
    const seconds = (time: number) => {
      const portamento = new Portamento()
      portamento.control(SWITCH, ON)
      portamento.control(TIME, time)
      portamento.begin(60, 0)
      return portamento.begin(67, 960)!.seconds
    }
    expect([seconds(127), seconds(64), seconds(32)]).toEqual([1.5, 0.381, 0.095])
  })

  it('takes a chord from where the chord before it was', () => {
    const on = [
      [SWITCH, ON],
      [TIME, 64],
    ] as const
    expect(
      slides(on, [
        [60, 64],
        [62, 65],
      ]),
    ).toEqual([null, null, 64, 64])
  })

  it('takes one note from where it is told, also where it is off, until all is reset', () => {
    const told = [
      [TIME, 64],
      [FROM, 48],
    ] as const
    expect(slides(told, [[60], [67]])).toEqual([48, null])
    const portamento = new Portamento()
    for (const [controller, value] of told) portamento.control(controller, value)
    portamento.reset()
    expect(portamento.begin(60, 0)).toBeUndefined()
  })
})
