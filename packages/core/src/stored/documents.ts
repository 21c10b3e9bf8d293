import { words } from '@rudlo/words'
import type { Measurement } from '../assess'
import { completeBrief, type Assessment, type Brief, type Overrule, type Overrules } from '../brief'
import type { Mix, WorkDocument } from '../mix'
import { completeRubric, type Rubric } from '../rubric'
import type { SongVersion } from '../song'
import type { HandInFigures } from '../term'
import { completeAssessment, completeMove, type KeptAssessment } from './earlier'
import { readKept } from './read'
import { exactly, isNumber, isObject, isText, listOf, recordOf, shape } from './shape'

/** Documents as they were kept: each was checked as a whole before, so that its outline tells whether it is still that. */
const isThing = listOf(isObject)

export const isMix = shape<Mix>({
  format: exactly('rudlo-mix'),
  version: exactly(1),
  tracks: isThing,
  returns: isThing,
  main: shape<Mix['main']>({ level: isNumber }),
  envelopes: isThing,
  motifs: isThing,
  placements: isThing,
})

export const isWork = shape<WorkDocument>({ mix: isMix, notes: isThing })

const isSong = shape<SongVersion>({
  format: exactly('rudlo-song'),
  version: exactly(1),
  length: isNumber,
  tempo: isThing,
  meter: isThing,
  sections: isThing,
  tracks: isThing,
  regions: isThing,
  assets: isThing,
})

const isMeasurement = shape<Measurement>({
  version: exactly(1),
  momentary: Array.isArray,
  moves: isThing,
  points: isObject,
})
const isAssessment = shape<KeptAssessment>({ tasks: isThing, before: isThing, mistakes: isThing })
const isBrief = shape<Parameters<typeof completeBrief>[0]>({ tasks: isThing })
const isRubric = shape<Rubric>({ levels: listOf(isText), criteria: isThing })

export const readMix = (text: string): Mix => readKept(text, isMix, 'a mix')
export const readWork = (text: string): WorkDocument => readKept(text, isWork, 'a work')
export const readSong = (text: string): SongVersion => readKept(text, isSong, 'a song')
/** A measurement with what was added since it was kept. */
export const readMeasurement = (text: string): Measurement => {
  const kept = readKept(text, isMeasurement, 'a measurement')
  return { ...kept, moves: kept.moves.map(completeMove) }
}
/** An assessment; what an earlier version kept as prose stays readable. */
export const readAssessment = (text: string): Assessment =>
  completeAssessment(readKept(text, isAssessment, 'an assessment'))
/** A brief with what was added since it was kept. */
export const readKeptBrief = (text: string): Brief => completeBrief(readKept(text, isBrief, 'a brief'))
/** A rubric with what was added since it was kept. */
export const readKeptRubric = (text: string): Rubric => completeRubric(readKept(text, isRubric, 'a rubric'))
const isFigures = shape<HandInFigures>({ tasks: isThing, mistakes: isThing, pictures: isObject })
/** The figures of a hand-in. */
export const readFigures = (text: string): HandInFigures => readKept(text, isFigures, 'figures')
const isOverrule = shape<Overrule>({ why: isText })
/** What a teacher overruled in a review; nothing where it was kept before there was such a thing. */
export const readOverrules = (text: string | null): Overrules =>
  text === null ? {} : readKept(text, recordOf(isOverrule), words('stored.overruled'))
/** Marks: levels by criterion. */
export const readMarks = (text: string): Record<string, number> => readKept(text, recordOf(isNumber), 'marks')
export const readTexts = (text: string): string[] => readKept(text, listOf(isText), 'a list')
/** A list whose entries have readers of their own. */
export const readList = (text: string): unknown[] =>
  readKept(text, (v): v is unknown[] => Array.isArray(v), 'a list')
