import type { AudioStore } from '../engine'
import type { Address, Mix } from '../mix'
import type { SongVersion } from '../song'
import type { PictureAsked } from './asked'
import { balancePicture, type BalancePicture } from './balance-picture'
import type { BuildPicture } from './build-picture'
import type { HeardCache } from './cache'
import type { CrossingPicture } from './crossing-picture'
import type { FadePicture } from './fade-picture'
import { hearTracks } from './hear'
import { hearBands } from './hear-bands'
import { hearBuild } from './hear-build'
import { hearCrossing, hearFade } from './hear-fade'

/** One picture of something heard, with the lanes that it is of. Plain data, kept as JSON. */
export type Picture =
  | { readonly kind: 'fade'; readonly lane: Address; readonly fade: FadePicture }
  | {
      readonly kind: 'crossing'
      readonly leaves: Address
      readonly comes: Address
      readonly crossing: CrossingPicture
    }
  | {
      readonly kind: 'build'
      /** Whether it should grow. */
      readonly grows: boolean
      readonly build: BuildPicture
    }
  | { readonly kind: 'balance'; readonly balance: BalancePicture }

/**
 * Renders what a picture takes, and makes it.
 * @param cache of parts measured before, for songs of this audio
 * @param onProgress told the share done, 0…1; returns false to stop
 * @returns null where it was stopped
 */
export function hearPicture(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  asked: PictureAsked,
  cache: HeardCache,
  onProgress: (share: number) => boolean = () => true,
): Picture | null {
  switch (asked.kind) {
    case 'fade': {
      const fade = hearFade(song, mix, audio, asked.fade, cache, onProgress)
      return fade && { kind: 'fade', lane: asked.fade.lane, fade }
    }
    case 'crossing': {
      const { leaves, comes } = asked
      const crossing = hearCrossing(song, mix, audio, leaves, comes, cache, onProgress)
      return crossing && { kind: 'crossing', leaves: leaves.lane, comes: comes.lane, crossing }
    }
    case 'build': {
      const build = hearBuild(song, mix, audio, asked, cache, onProgress)
      return build && { kind: 'build', grows: asked.grows, build }
    }
    case 'balance': {
      const heard = hearTracks(song, mix, audio, cache, {
        onProgress: (share) => onProgress(share / 2),
        bands: true,
      })
      const bands = heard && hearBands(song, mix, audio, cache, (share) => onProgress((1 + share) / 2))
      return heard && bands && { kind: 'balance', balance: balancePicture(song, heard, bands) }
    }
  }
}
