import { readList } from '@rudlo/core/stored'
import { readSurface, writeSurface } from '@rudlo/core/surface'
import type { DataSource } from 'typeorm'
import { badInput } from '../http/problem'
import { SurfacesRow } from './entities'

/** Control surfaces that people have taught. */
export class Surfaces {
  constructor(private readonly database: DataSource) {}

  async of(personId: string): Promise<unknown[]> {
    const kept = await this.database.getRepository(SurfacesRow).findOneBy({ personId })
    return kept ? readList(kept.maps) : []
  }

  /** @throws Problem 400 with the core's sentence for a map that does not do */
  async keep(personId: string, documents: readonly unknown[]): Promise<void> {
    const maps = JSON.stringify(documents.map(checked))
    await this.database.getRepository(SurfacesRow).save({ personId, maps, updatedAt: new Date() })
  }
}

function checked(document: unknown): object {
  try {
    return writeSurface(readSurface(document))
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
