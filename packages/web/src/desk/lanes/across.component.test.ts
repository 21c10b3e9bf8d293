import { point } from '@rudlo/core/envelope'
import { withLane, withPoints } from '@rudlo/core/mix'
import { expect, it } from 'vitest'
import { atDesk, BAR, LEVEL, type DeskPerson } from '../../../test/desk/desk'
import { drag, type Place } from '../../../test/desk/hand'
import { byEitherHand } from '../../../test/desk/screens'

const PAN = 'track/squeezebox/pan'
const TIDE = 'track/tide/level'

/** Somebody with three lanes on the desk, each with a line; two of them are volumes. */
async function atThreeLanes(): Promise<DeskPerson> {
  const rosa = await atDesk({ free: true })
  rosa.work.setMix(
    (mix) =>
      [
        [PAN, [point(0, 0), point(6 * BAR, -0.5), point(8 * BAR, 0)]],
        [TIDE, [point(0, -12), point(6 * BAR, -20), point(8 * BAR, -12)]],
      ].reduce(
        (m, [lane, points]) => withPoints(m, lane as string, points as never, () => lane as string),
        mix,
      ),
    { label: 'Drew', lanes: [PAN, TIDE], from: 0, to: 8 * BAR },
  )
  rosa.desk.showBeside(PAN)
  rosa.desk.showBeside(TIDE)
  rosa.desk.address = LEVEL
  await expect.poll(() => rosa.at('line-beside').all().length).toBe(2)
  return rosa
}

/** A place on a lane: a bar, and a height from the bottom to the top of the face, 0…1. */
function onFace(rosa: DeskPerson, lane: number, bar: number, height: number): Place {
  const faces = [...document.querySelectorAll('[aria-roledescription=line]')]
  const box = faces[lane]!.getBoundingClientRect()
  const start = rosa.onLane(bar / 16, 0.5).x
  return { x: start, y: box.y + box.height * (1 - height) }
}

const chosen = (rosa: DeskPerson) => rosa.at('line').getByRole('status')
const points = (rosa: DeskPerson, lane: string) => rosa.work.envelope(lane)!.points

byEitherHand('points of several lanes', () => {
  it('are chosen by a box over them, and moved, set and removed as one step', async () => {
    const rosa = await atThreeLanes()
    // from the top of the first lane to the bottom of the last: the points at bar 7 of all three
    const box = [onFace(rosa, 0, 5.2, 0.8), onFace(rosa, 2, 6.6, 0.1)]
    await drag(box, { choosing: true })
    await expect.element(chosen(rosa)).toHaveTextContent(/^3 points chosen/)
    const before = [LEVEL, PAN, TIDE].map((lane) => points(rosa, lane))
    await rosa.oneStep(() => rosa.keysAt('line', 'ArrowRight'))
    for (const [i, lane] of [LEVEL, PAN, TIDE].entries()) {
      const [was, now] = [before[i]!, points(rosa, lane)]
      const moved = now.filter((p, k) => p.tick !== was[k]!.tick)
      expect(moved).toHaveLength(1)
      expect(moved[0]!.tick).toBeGreaterThan(6 * BAR)
    }
    await rosa.oneStep(() => rosa.keysAt('line', 'ArrowUp'))
    // both volumes by as many dB
    const rise = (lane: string) =>
      Math.max(...points(rosa, lane).map((p, i) => p.value - before[lane === LEVEL ? 0 : 2]![i]!.value))
    expect(rise(TIDE)).toBeCloseTo(rise(LEVEL), 6)
    await rosa.oneStep(() => rosa.keysAt('line', 'Delete'))
    expect([LEVEL, PAN, TIDE].map((lane) => points(rosa, lane).length)).toEqual([4, 2, 2])
    // one press elsewhere lets go of all of them
    await rosa.undo()
    await rosa.keysAt('line', 'Escape')
    await expect.element(chosen(rosa)).toHaveTextContent('')
  })

  it('go along with the one that is dragged', async () => {
    const rosa = await atThreeLanes()
    await drag([onFace(rosa, 1, 5.2, 0.8), onFace(rosa, 2, 6.6, 0.1)], { choosing: true })
    const held = points(rosa, TIDE)[1]!
    const y = (lane: number, travel: number) => {
      const box = document.querySelectorAll('[aria-roledescription=line]')[lane]!.getBoundingClientRect()
      return { x: rosa.onLane(6 / 16, 0.5).x, y: box.y + 16 + (1 - travel) * (box.height - 32) }
    }
    const from = y(2, 0.75 * 10 ** (held.value / 20 / 2.401))
    await rosa.oneStep(() => drag([from, { x: from.x + 60, y: from.y - 12 }]))
    expect(points(rosa, TIDE)[1]!.tick).toBe(points(rosa, PAN)[1]!.tick)
    expect(points(rosa, TIDE)[1]!.tick).toBeGreaterThan(6 * BAR)
    expect(points(rosa, TIDE)[1]!.value).toBeGreaterThan(-20)
    expect(points(rosa, PAN)[1]!.value).toBeGreaterThan(-0.5)
  })

  it('of a locked lane are left out, and that lane is named', async () => {
    const rosa = await atThreeLanes()
    rosa.work.setMix((mix) => withLane(mix, TIDE, { open: false }), {
      label: 'Locked',
      lanes: [TIDE],
      from: 0,
      to: 0,
    })
    await drag([onFace(rosa, 0, 5.2, 0.8), onFace(rosa, 2, 6.6, 0.1)], { choosing: true })
    await expect.element(rosa.at('notice')).toHaveTextContent('Tide is locked, so it was left out.')
    const before = points(rosa, TIDE)
    await rosa.oneStep(() => rosa.keysAt('line', 'ArrowLeft'))
    expect(points(rosa, TIDE)).toEqual(before)
    // by keys: all of this lane, then all of the desk
    await rosa.keysAt('line', 'Escape')
    await rosa.keysAt('line', 'Ctrl+a')
    await expect.element(chosen(rosa)).toHaveTextContent(/^5 points chosen/)
    await rosa.keysAt('line', 'Ctrl+a')
    await expect.element(chosen(rosa)).toHaveTextContent(/^8 points chosen/)
  })
})
