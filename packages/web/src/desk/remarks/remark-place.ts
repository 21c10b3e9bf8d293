import { laneName } from '@rudlo/core/assess'
import type { Mix } from '@rudlo/core/mix'
import { songTime, type SongVersion } from '@rudlo/core/song'
import type { RemarkView } from '@rudlo/contract/reviews'
import { barsOf } from '../transport/loop-text'
import { t } from '../../words/t'

/** Where a remark stands, in words: "Squeezebox, bars 9 to 12", or "The whole". */
export const remarkPlace = (song: SongVersion, mix: Mix, remark: Pick<RemarkView, 'lane' | 'from' | 'to'>) =>
  remark.lane === null
    ? t('talk.whole')
    : `${laneName(song, mix, remark.lane)}, ${barsOf(remark, songTime(song).meter)}`
