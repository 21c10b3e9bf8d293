import type { MidiNote } from '../midi'
import { TICKS_PER_QUARTER, type MeterChange, type TempoChange } from '../time'
import { childOf, childrenOf, numberOf, textOf, type Element } from './xml'

/** What a part of a score says of time, beside its notes. */
export interface Timeline {
  readonly tempo: TempoChange[]
  readonly meter: MeterChange[]
  readonly marks: { tick: number; text: string }[]
}

/** Semitones of the steps above C. */
const STEPS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }
/** Quarters of the values that a metronome mark counts. */
const BEATS: Readonly<Record<string, number>> = { whole: 4, half: 2, quarter: 1, eighth: 0.5, '16th': 0.25 }
/** How hard notes are played for each dynamic (MusicXML 4.0: per cent of a forte of 90). */
const DYNAMICS: Readonly<Record<string, number>> = {
  ppp: 0.2,
  pp: 0.3,
  p: 0.42,
  mp: 0.55,
  mf: 0.66,
  f: 0.78,
  ff: 0.9,
  fff: 1,
  sf: 0.85,
  sfz: 0.85,
  fp: 0.78,
}
const USUAL = 0.66

/** Reads one part, measure after measure. Repeats are not played twice: a score is read as it is written. */
export class PartReader {
  readonly notes: MidiNote[] = []
  #divisions = 1
  #tick = 0
  #start = 0
  #strength = USUAL
  #transposed = 0
  #meter: Pick<MeterChange, 'beats' | 'unit'> = { beats: 4, unit: 4 }
  /** Where the note before began: those of a chord begin there too. */
  #before = 0
  readonly #tied = new Map<number, MidiNote>()

  /** @param timeline what is written of time goes there */
  constructor(private readonly timeline: Timeline) {}

  /** Ticks of all that was read. */
  get length(): number {
    return this.#start
  }

  measure(measure: Element): void {
    let longest = this.#start
    this.#tick = this.#start
    for (const child of measure.children) {
      this.#take(child)
      longest = Math.max(longest, this.#tick)
    }
    const whole = (this.#meter.beats * 4 * TICKS_PER_QUARTER) / this.#meter.unit
    // a measure of rests that are not written is as long as its time signature says; an upbeat is as long as it is
    this.#start = longest > this.#start ? longest : this.#start + whole
  }

  #take(child: Element): void {
    switch (child.name) {
      case 'attributes':
        return this.#attributes(child)
      case 'note':
        return this.#note(child)
      case 'backup':
        this.#tick = Math.max(this.#start, this.#tick - this.#ticks(numberOf(child, 'duration') ?? 0))
        return
      case 'forward':
        this.#tick += this.#ticks(numberOf(child, 'duration') ?? 0)
        return
      case 'direction':
        return this.#direction(child)
      case 'sound':
        return this.#sound(child)
    }
  }

  #ticks(duration: number): number {
    return Math.round((Math.max(0, duration) * TICKS_PER_QUARTER) / this.#divisions)
  }

  #attributes(element: Element): void {
    this.#divisions = Math.max(1, numberOf(element, 'divisions') ?? this.#divisions)
    this.#transposed = numberOf(childOf(element, 'transpose'), 'chromatic') ?? this.#transposed
    const time = childOf(element, 'time')
    const beats = numberOf(time, 'beats')
    const unit = ([1, 2, 4, 8, 16, 32] as const).find((u) => u === numberOf(time, 'beat-type'))
    if (!beats || beats > 64 || !Number.isInteger(beats) || !unit) return
    this.#meter = { beats, unit }
    this.timeline.meter.push({ tick: this.#tick, beats, unit })
  }

  #note(element: Element): void {
    if (childOf(element, 'grace') || childOf(element, 'cue')) return
    const ticks = this.#ticks(numberOf(element, 'duration') ?? 0)
    const isChord = childOf(element, 'chord') !== undefined
    const tick = isChord ? this.#before : this.#tick
    if (!isChord) {
      this.#before = this.#tick
      this.#tick += ticks
    }
    const pitch = this.#pitch(element)
    if (pitch === null || !ticks) return
    const ties = childrenOf(element, 'tie').map((t) => t.attributes['type'])
    const tied = this.#tied.get(pitch)
    this.#tied.delete(pitch)
    if (tied && ties.includes('stop') && tied.tick + tied.ticks === tick)
      this.#keep({ ...tied, ticks: tied.ticks + ticks }, ties, tied)
    else this.#keep({ tick, ticks, pitch, strength: this.#strength }, ties)
  }

  #keep(note: MidiNote, ties: readonly (string | undefined)[], instead?: MidiNote): void {
    const at = instead ? this.notes.lastIndexOf(instead) : -1
    if (at >= 0) this.notes[at] = note
    else this.notes.push(note)
    if (ties.includes('start')) this.#tied.set(note.pitch, note)
  }

  #pitch(element: Element): number | null {
    const pitch = childOf(element, 'pitch')
    const step = STEPS[textOf(pitch, 'step')]
    const octave = numberOf(pitch, 'octave')
    if (step === undefined || octave === undefined) return null
    const value = 12 * (octave + 1) + step + (numberOf(pitch, 'alter') ?? 0) + this.#transposed
    return value >= 0 && value <= 127 ? Math.round(value) : null
  }

  #direction(element: Element): void {
    for (const type of childrenOf(element, 'direction-type')) {
      for (const mark of childrenOf(type, 'rehearsal'))
        if (mark.text) this.timeline.marks.push({ tick: this.#tick, text: mark.text })
      const dynamic = childOf(type, 'dynamics')?.children[0]?.name
      if (dynamic) this.#strength = DYNAMICS[dynamic] ?? this.#strength
      const metronome = childOf(type, 'metronome')
      const perMinute = numberOf(metronome, 'per-minute')
      const beat = BEATS[textOf(metronome, 'beat-unit')]
      const dots = childrenOf(metronome, 'beat-unit-dot').length
      if (perMinute && beat) this.#tempo(perMinute * beat * (dots ? 1.5 : 1))
    }
    const sound = childOf(element, 'sound')
    if (sound) this.#sound(sound)
  }

  #sound({ attributes }: Element): void {
    const tempo = Number(attributes['tempo'])
    if (tempo) this.#tempo(tempo)
    const dynamics = Number(attributes['dynamics'])
    if (dynamics) this.#strength = Math.min(1, Math.max(0.05, (dynamics * 90) / 127 / 100))
  }

  #tempo(bpm: number): void {
    if (bpm >= 5 && bpm <= 1000)
      this.timeline.tempo.push({ tick: this.#tick, bpm: Math.round(bpm * 1000) / 1000, form: 'hold' })
  }
}
