import { logFile } from '../http/log'
import 'reflect-metadata'
import { createWriteStream, renameSync, statSync } from 'node:fs'
import { pipeline } from 'node:stream/promises'
import type { Mix } from '@rudlo/core/mix'
import { readMix } from '@rudlo/core/stored'
import type { DataSource } from 'typeorm'
import { Assignment } from '../assignments/entities'
import { connectionFrom } from '../config'
import { dataSource } from '../database/data-source'
import { Person } from '../people/entities'
import { createServices } from '../services'
import { workNow } from '../works/documents'
import { Work } from '../works/entities'
import { readOptions } from './options'

/**
 * `bundle WORK|ASSIGNMENT --out FILE`: the song, the mix and the audio of a work or an assignment in one file. Without
 * an id it lists what there is.
 * @param environment where the database is, as docs/running.md names it
 * @throws RangeError with one sentence where there is no such thing, or no database
 */
export async function bundle(
  args: readonly string[],
  environment: NodeJS.ProcessEnv = process.env,
): Promise<string> {
  const { values, positionals } = readOptions(args, ['out'])
  const database = await dataSource(connectionFrom(environment)).initialize()
  try {
    const [id] = positionals
    if (!id) return await list(database)
    if (!values.out) throw new RangeError('Say where the bundle goes: --out FILE')
    const { songVersionId, mix } = await find(database, id)
    const services = createServices(database, {
      demo: false,
      workers: new URL('./', import.meta.url),
      log: logFile(undefined),
    })
    await pipeline(await services.bundles.pack(songVersionId, mix), createWriteStream(`${values.out}.part`))
    renameSync(`${values.out}.part`, values.out)
    return `${values.out}  ${(statSync(values.out).size / 1024 / 1024).toFixed(1)} MiB`
  } finally {
    await database.destroy()
  }
}

async function find(database: DataSource, id: string): Promise<{ songVersionId: string; mix: Mix }> {
  const assignments = database.getRepository(Assignment)
  const assignment = await assignments.findOneBy({ id })
  if (assignment) return { songVersionId: assignment.songVersionId, mix: readMix(assignment.startingMix) }
  const work = await database.getRepository(Work).findOneBy({ id })
  if (!work)
    throw new RangeError(
      `There is no work and no assignment "${id}". Call bundle without an id to list them.`,
    )
  const { songVersionId } = await assignments.findOneByOrFail({ id: work.assignmentId })
  return { songVersionId, mix: (await workNow(database, id)).document.mix }
}

/** Every assignment and every work with its id. */
async function list(database: DataSource): Promise<string> {
  const assignments = await database.getRepository(Assignment).find({ order: { createdAt: 'ASC' } })
  const works = await database
    .getRepository(Work)
    .find({ select: { id: true, assignmentId: true, personId: true } })
  const people = await database.getRepository(Person).find()
  const name = new Map(people.map((p) => [p.id, p.name]))
  return assignments
    .flatMap(({ id, title }) => [
      `${id}  ${title}`,
      ...works.filter((w) => w.assignmentId === id).map((w) => `  ${w.id}  ${name.get(w.personId) ?? ''}`),
    ])
    .join('\n')
}
