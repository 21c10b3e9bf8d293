import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { point } from '../envelope'
import { envelopeOf, plainMix, withPoints, type Mix } from '../mix'
import { linesFromCsv, linesFromJson, linesToCsv, linesToJson } from '.'

const song = smallSong()
const REED = 'track/reed/level'
const PAN = 'track/reed/pan'
const plain = plainMix(song)
let n = 0
const id = () => `new-${++n}`
const drawn = withPoints(
  withPoints(
    plain,
    REED,
    [point(0, -90), point(1237, -6.123456, 'curve', 2.5), point(3840, -20, 's', 3)],
    id,
  ),
  PAN,
  [point(960, -1, 'jump'), point(1920, 0.25)],
  id,
)
const points = (mix: Mix) => mix.envelopes.map((e) => [e.address, e.points])

describe('lines as a table', () => {
  it('come back to the point', () => {
    const text = linesToCsv(song, drawn)
    expect(text.split('\r\n')[0]).toBe('\ufefflane,address,bar and beat,tick,seconds,value,unit,form,bend')
    const read = linesFromCsv(song, plain, text, id)
    expect(points(read.mix)).toEqual(points(drawn))
    expect([read.lanes, read.unknown]).toEqual([[REED, PAN], []])
  })

  it('come back as a spreadsheet rewrote them, and by bar and beat alone', () => {
    const text = `lane;address;bar and beat;value\nReed;${REED};1.1;-6,5\nReed;${REED};2.3;silent\n;;;\n`
    const { mix } = linesFromCsv(song, drawn, text, id)
    expect(envelopeOf(mix, REED)!.points).toEqual([point(0, -6.5), point(3840 + 1920, -90)])
    expect(envelopeOf(mix, PAN)).toBe(envelopeOf(drawn, PAN))
  })

  it('leave out lanes that the mix does not have, and say so', () => {
    const { unknown, lanes } = linesFromCsv(
      song,
      plain,
      `address,tick,value\ntrack/none/level,0,-3\n${REED},0,-3`,
      id,
    )
    expect([unknown, lanes]).toEqual([['track/none/level'], [REED]])
  })

  it.each([
    ['lane,value\nx,1', /needs the columns/],
    [`address,tick,value\n${REED},0,loud`, /^Line 2: “loud” is not a value/],
    [`address,tick,value\n${REED},0,`, /^Line 2: “” is not a value/],
    [`address,tick,value\n${REED},-4,0`, /^Line 2: “-4” is not a place/],
    [`address,tick,value\n${REED},0,0\n${REED},1e9,0`, /^Line 3/],
    [`address,tick,value,form\n${REED},0,0,wobbly`, /“wobbly” is not a shape/],
    [`address,tick,value,bend\n${REED},0,0,99`, /not a bend/],
    [`address,tick,value\n${REED},5,0\n${REED},5,-3`, /Two points/],
    [`address,tick,value\n${REED},5,40`, /beyond what/],
  ])('are refused with the line of what is wrong: %j', (text, sentence) => {
    expect(() => linesFromCsv(song, plain, text, id)).toThrow(sentence)
  })
})

describe('lines as JSON', () => {
  it('come back to the point', () => {
    const read = linesFromJson(plain, JSON.stringify(linesToJson(drawn)), id)
    expect(points(read.mix)).toEqual(points(drawn))
  })

  it.each([
    ['{', /not JSON/],
    ['null', /not hold lines from Rudlo/],
    ['{"format":"rudlo-lines","version":9,"lines":[]}', /newer Rudlo/],
    ['{"format":"rudlo-lines","version":1,"lines":[{"address":7}]}', /no address/],
    [
      `{"format":"rudlo-lines","version":1,"lines":[{"address":"${REED}","points":[{"tick":"x"}]}]}`,
      /cannot be read/,
    ],
  ])('are refused: %s', (text, sentence) => {
    expect(() => linesFromJson(plain, text, id)).toThrow(sentence)
  })
})
