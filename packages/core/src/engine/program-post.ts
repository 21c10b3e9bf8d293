import type { CompiledLine } from '../envelope'
import type { ControlProgram, EffectProgram, Program, SendProgram } from './program'

/**
 * A program on its way to another thread: lines that are there already are numbers, only those that are new go along.
 * What belongs to the song and never changes stays away.
 */
export interface PostedProgram {
  readonly program: Omit<Program<number>, 'tempo' | 'beats'>
  readonly fresh: readonly (readonly [number: number, line: CompiledLine])[]
}

type Parts<Line> = Pick<Program<Line>, 'tracks' | 'returns' | 'main'>

/** The same program with something else in the place of every line. */
function withLines<A, B>({ tracks, returns, main }: Parts<A>, swap: (line: A) => B): Parts<B> {
  const control = ({ setting, line }: ControlProgram<A>): ControlProgram<B> => ({
    setting,
    line: line === null ? null : swap(line),
  })
  const effect = (e: EffectProgram<A>): EffectProgram<B> => ({
    ...e,
    bypass: control(e.bypass),
    wet: control(e.wet),
    params: Object.fromEntries(Object.entries(e.params).map(([word, c]) => [word, control(c)])),
  })
  const send = (s: SendProgram<A>): SendProgram<B> => ({ ...s, level: control(s.level), on: control(s.on) })
  return {
    tracks: tracks.map((t) => ({
      ...t,
      gain: control(t.gain),
      mute: control(t.mute),
      level: control(t.level),
      pan: control(t.pan),
      width: control(t.width),
      effects: t.effects.map(effect),
      sends: t.sends.map(send),
    })),
    returns: returns.map((r) => ({
      ...r,
      mute: control(r.mute),
      level: control(r.level),
      pan: control(r.pan),
      effects: r.effects.map(effect),
      sends: r.sends.map(send),
    })),
    main: control(main),
  }
}

/** Packs one program after another for the same {@link ProgramReceiver}: a hand that moves changes one line of many. */
export class ProgramSender {
  #there = new Map<CompiledLine, number>()
  #next = 0

  pack(program: Program): PostedProgram {
    const before = this.#there
    const now = new Map<CompiledLine, number>()
    const fresh: [number, CompiledLine][] = []
    const parts = withLines(program, (line) => {
      const number = before.get(line) ?? now.get(line) ?? this.#next++
      if (!before.has(line) && !now.has(line)) fresh.push([number, line])
      now.set(line, number)
      return number
    })
    this.#there = now
    return { program: { length: program.length, ...parts }, fresh }
  }
}

/** Unpacks what a {@link ProgramSender} packed. A line that stays is the same object as before. */
export class ProgramReceiver {
  #lines = new Map<number, CompiledLine>()

  /** @param first the program that this thread began with, for what belongs to the song */
  constructor(private readonly first: Pick<Program, 'tempo' | 'beats'>) {}

  /** @throws RangeError for a line that was never sent */
  unpack({ program, fresh }: PostedProgram): Program {
    const known = new Map([...this.#lines, ...fresh])
    const used = new Map<number, CompiledLine>()
    const parts = withLines(program, (number) => {
      const line = known.get(number)
      if (!line) throw new RangeError(`Line ${number} was never sent.`)
      used.set(number, line)
      return line
    })
    this.#lines = used
    const { tempo, beats } = this.first
    return { tempo, beats, length: program.length, ...parts }
  }
}
