import { BUNDLE_TIME, bundleAudio, bundleDocuments } from '@rudlo/core/exchange'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { zipAnswer, zipped, type ZipEntry } from '../http/zip'
import type { Assets } from './assets'
import type { Songs } from './songs'

/** Packs songs with a mix and all their audio into one file. */
export class Bundles {
  constructor(
    private readonly songs: Songs,
    private readonly assets: Assets,
  ) {}

  /** The bytes of a bundle, piece after piece. @throws Problem 404 where the song version is not there */
  async pack(songVersionId: string, mix: Mix): Promise<AsyncGenerator<Uint8Array>> {
    return zipped(this.#entries(await this.songs.version(songVersionId), mix), BUNDLE_TIME)
  }

  /** A bundle as an answer that the browser saves. */
  async answer(songVersionId: string, mix: Mix, title: string): Promise<Response> {
    const song = await this.songs.version(songVersionId)
    return zipAnswer(this.#entries(song, mix), `${title}.rudlo.zip`, BUNDLE_TIME)
  }

  async *#entries(song: SongVersion, mix: Mix): AsyncGenerator<ZipEntry> {
    for (const [name, bytes] of Object.entries(bundleDocuments({ song, mix })))
      yield { name, pieces: [bytes], packs: true }
    for (const { id } of song.assets)
      yield { name: bundleAudio(id), pieces: this.assets.pieces(id), packs: false }
  }
}
