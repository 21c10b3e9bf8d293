import type { WorkDocument } from '@rudlo/core/mix'
import {
  IsArray,
  IsInt,
  IsISO8601,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
} from 'class-validator'
import { AsSent } from '../http/as-sent'
import { jsonList } from '../http/json-list'
import { route, routeWithBody, type Route } from '../http/route'
import type { Services } from '../services'
import { AreCommands, type CommandReport } from './commands'
import type { Work } from './work.entity'

class SaveBody {
  @IsInt({ message: 'The revision must be a whole number' })
  @Min(1)
  @Max(4e9)
  revision!: number

  @IsString()
  @Length(8, 40)
  save!: string

  /** How many changes it may have, and how much work they may be, is looked at where they are made. */
  @AsSent()
  @IsArray({ message: 'The patch must be a list of changes (RFC 6902)' })
  patch!: unknown[]

  @AsSent()
  @AreCommands()
  commands!: CommandReport[]

  /** The browser's clock, which need not be right. */
  @IsOptional()
  @IsISO8601()
  @MaxLength(40)
  now?: string
}

class WindowBody {
  @IsString()
  @Length(8, 40)
  window!: string
}

class HintBody {
  @IsString()
  @MaxLength(64)
  task!: string

  @IsInt()
  @Min(0)
  @Max(2)
  level!: number
}

class AskedBody {
  @IsString()
  @MaxLength(64)
  task!: string
}

class TryBody {
  @IsString()
  @Length(1, 120, { message: 'A try needs a name of at most 120 characters' })
  name!: string

  @AsSent()
  @IsObject()
  document!: object
}

/** The largest save: room for a whole mix in one piece. */
const SAVE_LIMIT = 2.5 * 1024 * 1024

function workView({ id, assignmentId, revision, document, window, lastSave, updatedAt }: Work) {
  return {
    id,
    assignmentId,
    revision,
    document: JSON.parse(document) as unknown,
    window,
    lastSave,
    updatedAt,
  }
}

export function workRoutes({ permissions, works, bundles, hints }: Services): Route[] {
  return [
    route('post', '/api/assignments/:assignment/work', 'signed-in', async ({ person, param }) =>
      workView(await works.open(person, await permissions.assignment(person, param('assignment')))),
    ),

    route('get', '/api/works/:work', 'signed-in', async ({ person, param }) =>
      workView(await permissions.ownWork(person, param('work'))),
    ),

    route('get', '/api/works/:work/head', 'signed-in', async ({ person, param }) => {
      const { revision, window } = await permissions.ownWork(person, param('work'))
      return { revision, window }
    }),

    route('get', '/api/works/:work/bundle', 'signed-in', async ({ person, param }) => {
      const work = await permissions.ownWork(person, param('work'))
      const { songVersionId, title } = await permissions.assignment(person, work.assignmentId)
      return bundles.answer(songVersionId, (JSON.parse(work.document) as WorkDocument).mix, title)
    }),

    routeWithBody(
      'patch',
      '/api/works/:work',
      'signed-in',
      SaveBody,
      ({ person, param, body }) => works.save(person, param('work'), body),
      SAVE_LIMIT,
    ),

    routeWithBody(
      'put',
      '/api/works/:work/window',
      'signed-in',
      WindowBody,
      async ({ person, param, body }) => {
        await works.claim(await permissions.ownWork(person, param('work')), body.window)
        return null
      },
    ),

    route('get', '/api/works/:work/hints', 'signed-in', async ({ person, param }) => {
      const { id } = await permissions.ownWork(person, param('work'))
      return hints.opened(id)
    }),

    route('get', '/api/works/:work/asked', 'signed-in', async ({ person, param }) => {
      const { id } = await permissions.ownWork(person, param('work'))
      return hints.tries(id)
    }),

    routeWithBody(
      'post',
      '/api/works/:work/asked',
      'signed-in',
      AskedBody,
      async ({ person, param, body }) => {
        const work = await permissions.ownWork(person, param('work'))
        await hints.count(person, work, await permissions.assignment(person, work.assignmentId), body.task)
        return null
      },
    ),

    routeWithBody(
      'post',
      '/api/works/:work/hints',
      'signed-in',
      HintBody,
      async ({ person, param, body }) => {
        const work = await permissions.ownWork(person, param('work'))
        return hints.open(person, work, await permissions.assignment(person, work.assignmentId), body)
      },
    ),

    route('get', '/api/works/:work/tries', 'signed-in', async ({ person, param }) => {
      const tries = await works.tries(await permissions.ownWork(person, param('work')))
      return jsonList(
        (function* () {
          for (const { id, name, document, createdAt } of tries)
            yield { id, name, createdAt, document: JSON.parse(document) as unknown }
        })(),
      )
    }),

    routeWithBody(
      'post',
      '/api/works/:work/tries',
      'signed-in',
      TryBody,
      async ({ person, param, body }) =>
        works.keepTry(await permissions.ownWork(person, param('work')), body.name, body.document),
      SAVE_LIMIT,
    ),
  ]
}
