import { words } from '@rudlo/words'
import { readOneRoster, readRoster, type Roster } from '@rudlo/core/roster'
import type { RosterAnswer, RosterFile } from '@rudlo/contract/people'
import { badInput } from '../http/problem'
import type { Group, Person } from './entities'
import type { People } from './service'

/** Lists of students as schools have them: looked at, or taken in. */
export class Rosters {
  constructor(private readonly people: People) {}

  /** @throws Problem 400 where something is wrong in a list that is to be taken in: then nobody is */
  async take(teacher: Person, group: Group, sent: RosterFile): Promise<RosterAnswer> {
    const { roster, classes } = read(sent)
    const { rows, problems } = roster
    if (sent.preview) return { rows, problems, classes, cards: [] }
    if (problems.length) throw badInput(words('people.something-list-wrong'))
    return { rows, problems: [], classes, cards: await this.people.add(teacher, group, rows) }
  }
}

/** Reads what was sent: a list, a table, or two files of a OneRoster export. */
function read(sent: RosterFile): { roster: Roster; classes: string[] } {
  if (sent.enrollments === undefined) return { roster: readRoster(sent.text), classes: [] }
  try {
    const classes = readOneRoster(sent.text, sent.enrollments)
    const chosen = classes.find((c) => c.id === sent.class) ?? (classes.length === 1 ? classes[0] : undefined)
    return { roster: chosen?.roster ?? { rows: [], problems: [] }, classes: classes.map((c) => c.id) }
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
