import { t } from '../../words/t'

/** What a recording's track is called by its file: without ending, leading number and underscores. */
export const trackNameOf = (file: string): string =>
  file
    .replace(/\.[^.]+$/, '')
    .replace(/^\d+[\s._-]+/, '')
    .replace(/_/g, ' ')
    .trim() || t('song.track.usual-name')
