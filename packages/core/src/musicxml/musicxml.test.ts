import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { isMusicXml, readMusicXml } from '.'

const score = (measures: string) => `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
<score-partwise version="4.0">
  <work><work-title>The Ferry Home</work-title></work>
  <part-list><score-part id="P1"><part-name>Fiddle</part-name>
    <midi-instrument id="P1-I1"><midi-channel>1</midi-channel><midi-program>41</midi-program></midi-instrument>
  </score-part></part-list>
  <part id="P1">${measures}</part>
</score-partwise>`
const read = (measures: string) => readMusicXml(strToU8(score(measures)))
const note = (step: string, duration: number, first = '', last = '') =>
  `<note>${first}<pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration>${last}</note>`

const FIRST = `<measure number="1">
  <attributes><divisions>2</divisions><time><beats>3</beats><beat-type>4</beat-type></time></attributes>
  <direction><direction-type><rehearsal>A</rehearsal></direction-type></direction>
  <direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>60</per-minute></metronome></direction-type></direction>
  <direction><direction-type><dynamics><p/></dynamics></direction-type></direction>
  ${note('C', 2)}${note('E', 2)}${note('G', 2, '<chord/>')}${note('A', 2)}
</measure>`
const SECOND = `<measure number="2">
  <direction><direction-type><rehearsal>Chorus</rehearsal></direction-type><sound tempo="96"/></direction>
  ${note('B', 6)}<backup><duration>6</duration></backup><forward><duration>2</duration></forward>${note('D', 4)}
</measure>`

describe('a score', () => {
  it('is read as parts, tempo, time signatures and sections', () => {
    const song = read(FIRST + SECOND)
    expect(song).toMatchObject({
      title: 'The Ferry Home',
      length: 2 * 3 * 960,
      tempo: [
        { tick: 0, bpm: 90 },
        { tick: 2880, bpm: 96 },
      ],
      meter: [{ tick: 0, beats: 3, unit: 4 }],
      markers: [
        { tick: 0, text: 'A' },
        { tick: 2880, text: 'Chorus' },
      ],
      parts: [{ name: 'Fiddle', program: 40, drums: false }],
    })
    expect(song.parts[0]!.notes.map((n) => [n.tick, n.ticks, n.pitch])).toEqual([
      [0, 960, 60],
      [960, 960, 64],
      [960, 960, 67],
      [1920, 960, 69],
      [2880, 2880, 71],
      [3840, 1920, 62],
    ])
    expect(song.parts[0]!.notes[0]!.strength).toBeLessThan(0.5)
  })

  it('ties notes over a bar line, and leaves out grace notes', () => {
    const song = read(`<measure><attributes><divisions>1</divisions></attributes>
        ${note('C', 2, '<grace/>')}${note('C', 2, '', '<tie type="start"/>')}</measure>
      <measure>${note('C', 2, '', '<tie type="stop"/>')}</measure>`)
    expect(song.parts[0]!.notes.map((n) => [n.tick, n.ticks])).toEqual([[0, 3840]])
  })

  it('may be packed', () => {
    const bytes = zipSync({
      'META-INF/container.xml': strToU8(
        '<container><rootfiles><rootfile full-path="s.xml"/></rootfiles></container>',
      ),
      's.xml': strToU8(score(FIRST)),
    })
    expect(isMusicXml(bytes)).toBe(true)
    expect(readMusicXml(bytes).title).toBe('The Ferry Home')
  })

  it.each([
    ['not a score at all', /not a score/],
    ['<?xml version="1.0"?><html></html>', /not a score/],
    [score('<measure><note></measure>'), /damaged/],
    [score('<measure></measure>'), /no notes/],
  ])('is refused in one sentence where it is none', (text, sentence) => {
    expect(() => readMusicXml(strToU8(text))).toThrow(sentence)
  })

  it('grows by no entity', () => {
    const bomb = score(FIRST)
      .replace(
        /<!DOCTYPE[^>]*>/,
        '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;&a;&a;">]>',
      )
      .replace('The Ferry Home', '&b;&b;&b;&b;')
    expect(readMusicXml(strToU8(bomb)).title.length).toBeLessThan(80)
  })
})
