import { readSurface, writeSurface } from '@rudlo/core/surface'
import { ArrayMaxSize, IsArray } from 'class-validator'
import { badInput } from '../http/problem'
import { AsSent } from '../http/as-sent'
import { route, routeWithBody, type Route } from '../http/route'
import type { Services } from '../services'
import { Surfaces } from './surfaces.entity'

/** Surfaces that a person can have taught. */
const MOST = 20

class SurfacesBody {
  @AsSent()
  @IsArray({ message: 'A list of surfaces is wanted' })
  @ArrayMaxSize(MOST, { message: `At most ${MOST} surfaces are kept: forget one that is not used any more` })
  maps!: unknown[]
}

export function surfaceRoutes({ database }: Services): Route[] {
  const surfaces = database.getRepository(Surfaces)
  return [
    route('get', '/api/surfaces', 'signed-in', async ({ person }) => {
      const kept = await surfaces.findOneBy({ personId: person.id })
      return { maps: kept ? (JSON.parse(kept.maps) as unknown) : [] }
    }),

    routeWithBody('put', '/api/surfaces', 'signed-in', SurfacesBody, async ({ person, body }) => {
      const maps = JSON.stringify(body.maps.map(checkedMap))
      await surfaces.save({ personId: person.id, maps, updatedAt: new Date() })
      return null
    }),
  ]
}

function checkedMap(document: unknown): object {
  try {
    return writeSurface(readSurface(document))
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
