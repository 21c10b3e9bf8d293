import { packBundle } from '@rudlo/core/exchange'
import type { Mix } from '@rudlo/core/mix'
import type { Assets } from './assets'
import type { Songs } from './songs'

/** Packs songs with a mix and all their audio into one file. */
export class Bundles {
  constructor(
    private readonly songs: Songs,
    private readonly assets: Assets,
  ) {}

  /** @throws Problem 404 where the song version is not there */
  async pack(songVersionId: string, mix: Mix): Promise<Uint8Array<ArrayBuffer>> {
    const song = await this.songs.version(songVersionId)
    const audio = new Map<string, Uint8Array>()
    for (const { id } of song.assets) {
      const asset = await this.assets.find(id)
      if (asset) audio.set(id, await this.assets.bytes(id, 0, asset.bytes - 1))
    }
    return new Uint8Array(packBundle({ song, mix, audio }))
  }

  /** A bundle as an answer that the browser saves. */
  async answer(songVersionId: string, mix: Mix, title: string): Promise<Response> {
    return new Response(await this.pack(songVersionId, mix), {
      headers: {
        'content-type': 'application/zip',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${title}.rudlo.zip`)}`,
        'cache-control': 'private, no-store',
      },
    })
  }
}
