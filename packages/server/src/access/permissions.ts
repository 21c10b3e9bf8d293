import { words } from '@rudlo/words'
import { IsNull, Not, type DataSource } from 'typeorm'
import { Assignment, isOpenTo } from '../assignments/entities'
import { HandIn } from '../handins/entities'
import { notFound, notNow } from '../http/problem'
import { Group, Membership, type Person } from '../people/entities'
import type { People } from '../people/service'
import { SongVersionAsset } from '../songbook/entities'
import { Work } from '../works/entities'

/** Whose is whose. What a person may not see is reported as not found. */
export class Permissions {
  constructor(
    private readonly database: DataSource,
    private readonly people: People,
  ) {}

  /** An assignment of one of the person's groups. @throws Problem 404 */
  async assignment(person: Person, id: string): Promise<Assignment> {
    const found = await this.database
      .getRepository(Assignment)
      .createQueryBuilder('a')
      .innerJoin(Membership, 'm', 'm.group_id = a.group_id AND m.person_id = :person AND m.role = :role', {
        person: person.id,
        role: person.role,
      })
      .where('a.id = :id', { id })
      .getOne()
    if (!found || !isOpenTo(person, found)) throw notFound()
    return found
  }

  /** The same, where it may be changed: the term of its class goes on. @throws Problem 404 or 409 */
  async openAssignment(person: Person, id: string): Promise<Assignment> {
    const assignment = await this.assignment(person, id)
    await this.#checkGoesOn(assignment)
    return assignment
  }

  async #checkGoesOn({ groupId }: Assignment): Promise<void> {
    if (await this.database.getRepository(Group).existsBy({ id: groupId, endedAt: Not(IsNull()) }))
      throw notNow(words('work.term-ended'))
  }

  /** The person's own work, as long as they belong to the group it was made for. @throws Problem 404 */
  async ownWork(person: Person, id: string): Promise<Work> {
    const work = await this.database
      .getRepository(Work)
      .createQueryBuilder('w')
      .innerJoin(Assignment, 'a', 'a.id = w.assignment_id')
      .innerJoin(Membership, 'm', 'm.group_id = a.group_id AND m.person_id = w.person_id')
      .where('w.id = :id AND w.person_id = :person AND a.removed_at IS NULL', { id, person: person.id })
      .getOne()
    if (!work) throw notFound()
    return work
  }

  /** A hand-in of the person's own, or of a group that they teach. @throws Problem 404 */
  async handIn(person: Person, id: string): Promise<{ handIn: HandIn; work: Work; assignment: Assignment }> {
    const handIn = await this.database.getRepository(HandIn).findOneBy({ id })
    const work = handIn && (await this.database.getRepository(Work).findOneBy({ id: handIn.workId }))
    if (!handIn || !work) throw notFound()
    if (person.role === 'student' && work.personId !== person.id) throw notFound()
    return { handIn, work, assignment: await this.assignment(person, work.assignmentId) }
  }

  /** The same, where it may be changed: the term of its class goes on. @throws Problem 404 or 409 */
  async openHandIn(...of: Parameters<Permissions['handIn']>): ReturnType<Permissions['handIn']> {
    const found = await this.handIn(...of)
    await this.#checkGoesOn(found.assignment)
    return found
  }

  /** An audio that somebody may hear. @throws Problem 404 */
  async asset(person: Person, assetId: string): Promise<string> {
    if (!(await this.#mayHear(person, assetId))) throw notFound()
    return assetId
  }

  /** Whether an assignment of one of the person's groups uses this audio; teachers may hear the whole songbook. */
  async #mayHear(person: Person, assetId: string): Promise<boolean> {
    const { id: personId, role } = person
    if (role === 'teacher') return !(await this.people.isOut(person))
    const count = await this.database
      .getRepository(SongVersionAsset)
      .createQueryBuilder('va')
      .innerJoin(Assignment, 'a', 'a.song_version_id = va.song_version_id')
      .innerJoin(Membership, 'm', 'm.group_id = a.group_id AND m.person_id = :personId', { personId })
      .where('va.asset_id = :assetId AND a.removed_at IS NULL', { assetId })
      .getCount()
    return count > 0
  }
}
