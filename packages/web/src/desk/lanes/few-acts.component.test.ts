import { addReturn, addSend, envelopeOf, resolve, withSetting, type Mix } from '@rudlo/core/mix'
import { findMoves, type MoveKind } from '@rudlo/core/moves'
import { expect, it } from 'vitest'
import { atDesk, BAR, deskSong, LEVEL, type DeskPerson } from '../../../test/desk/desk'
import { by } from '../../../test/desk/hand'
import { byEitherHand, onScreens } from '../../../test/desk/screens'

const OTHER = 'track/whistle/level'
const PAN = 'track/squeezebox/pan'
const ECHO = 'send/echo/level'

/** A return that the squeezebox can be sent to, and is not yet. */
const withEcho = (mix: Mix): Mix =>
  withSetting(
    addSend(addReturn(mix, 'Echo', 'delay', { back: 'back', effect: 'fx' }), 'squeezebox', 'back', 'echo'),
    ECHO,
    -90,
  )

/** The moves that are found on a lane. */
function movesOn({ desk, work }: DeskPerson, lane: string): MoveKind[] {
  const { points } = envelopeOf(work.mix!, lane)!
  const { scale } = resolve(work.mix!, lane)!.control
  return findMoves(lane, points, scale, desk.time!, deskSong.sections).map((move) => move.kind)
}

/** Ready moves, with the lane that the task is about, and where its bars lie. */
const READY = [
  ['fade in', 'fade in', LEVEL, [0, 4 * BAR]],
  ['fade out', 'fade out', LEVEL, [12 * BAR, 16 * BAR]],
  ['lift', 'lift', LEVEL, [5 * BAR, 7 * BAR]],
  ['dip', 'dip', LEVEL, [5 * BAR, 7 * BAR]],
  ['build', 'build', LEVEL, [4 * BAR, 8 * BAR]],
  ['throw', 'throw', ECHO, [6 * BAR, 7 * BAR]],
  ['sweep', 'sweep', PAN, [4 * BAR, 8 * BAR]],
] as const

byEitherHand('from an opened bench', () => {
  it.each(READY)('a %s takes three acts', async (move, kind, lane, bars) => {
    const wilma = await atDesk({ lanes: [lane], bars, prepare: withEcho })
    await wilma.click('hand-bars')
    await wilma.click('task-bars')
    await wilma.click(`move-${move}`)
    await expect.poll(() => wilma.steps).toBe(1)
    expect(wilma.acts).toBe(3)
    expect(movesOn(wilma, lane)).toContain(kind)
  })

  it('a fade in over bars that a hand drags over takes three', async () => {
    const wilma = await atDesk({ lanes: [LEVEL] })
    await wilma.click('hand-bars')
    await wilma.drag([0.01, 0.5], [0.22, 0.5])
    await wilma.click('move-fade in')
    await expect.poll(() => wilma.steps).toBe(1)
    expect([wilma.acts, movesOn(wilma, LEVEL)]).toEqual([3, ['fade in']])
    expect(wilma.desk.selection).toEqual({ from: 0, to: 4 * BAR })
  })

  it('one out as another comes in takes three', async () => {
    const wilma = await atDesk({ lanes: [LEVEL, OTHER], bars: [4 * BAR, 8 * BAR] })
    await wilma.click('hand-bars')
    await wilma.click('task-bars')
    await wilma.click('cross-meant')
    await expect.poll(() => wilma.steps).toBe(1)
    expect(wilma.acts).toBe(3)
    expect([movesOn(wilma, LEVEL), movesOn(wilma, OTHER)]).toEqual([['fade out'], ['fade in']])
  })

  it('a loop takes one', async () => {
    const wilma = await atDesk()
    const strip = wilma.at('strip').element().getBoundingClientRect()
    const at = (bar: number) => ({ x: strip.x + (strip.width * (bar - 0.5)) / 16, y: strip.y + 40 })
    await wilma.stroke([at(5), at(8)])
    await expect.poll(() => wilma.loop()).toMatchObject({ from: 4 * BAR, to: 8 * BAR })
    expect(wilma.acts).toBe(1)
  })
})

/** Keys that lead from an opened bench to a move over the bars of the task. */
const KEYS = [
  ...READY.map(([move, kind, lane, bars]) => ({ move, kind, lane, bars })),
  { move: 'to and fro', kind: 'sweep', lane: PAN, bars: [4 * BAR, 8 * BAR] },
] as const
const MOST_PRESSES = 12

if (by === 'mouse')
  onScreens('by keys, from an opened bench', () => {
    it.each(KEYS)('a $move takes at most twelve presses', async ({ move, kind, lane, bars }) => {
      const ines = await atDesk({ lanes: [lane], bars, prepare: withEcho })
      await ines.keys('2', 'Enter', 'Enter')
      const isThere = () => document.activeElement?.getAttribute('data-test') === `move-${move}`
      while (!isThere() && ines.presses < MOST_PRESSES) await ines.keys('ArrowRight')
      await ines.keys('Enter')
      await expect.poll(() => ines.steps).toBe(1)
      expect(ines.presses).toBeLessThanOrEqual(MOST_PRESSES)
      expect(movesOn(ines, lane)).toContain(kind)
    })

    it('one out as another comes in, and a loop, take at most twelve', async () => {
      const ines = await atDesk({ lanes: [LEVEL, OTHER], bars: [4 * BAR, 8 * BAR] })
      await ines.keys('2', 'Enter', 'g')
      await expect.poll(() => ines.loop()).toMatchObject({ from: 4 * BAR, to: 8 * BAR })
      expect(ines.presses).toBe(3)
      await ines.keys('Enter')
      const isThere = () => document.activeElement?.getAttribute('data-test') === 'cross-meant'
      while (!isThere() && ines.presses < MOST_PRESSES + 1) await ines.keys('ArrowRight')
      await ines.keys('Enter')
      await expect.poll(() => ines.steps).toBe(1)
      // the loop was one of them
      expect(ines.presses - 1).toBeLessThanOrEqual(MOST_PRESSES)
      expect([movesOn(ines, LEVEL), movesOn(ines, OTHER)]).toEqual([['fade out'], ['fade in']])
    })
  })
