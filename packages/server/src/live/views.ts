import {
  HAPPENING_KINDS,
  type HappeningData,
  type HappeningKind,
  type HappeningView,
} from '@rudlo/contract/live'
import { isText, readKept, shape } from '@rudlo/core/stored'
import type { Happening } from './entities'

const isData = shape<HappeningData>({ assignment: isText, handIn: isText })

/** Something that pages are told; that a session is over is for its line alone. */
type ForPages = Happening & { readonly kind: HappeningKind }
export const isForPages = (happening: Happening): happening is ForPages =>
  HAPPENING_KINDS.some((kind) => kind === happening.kind)

export const happeningView = ({ id, kind, data }: ForPages): HappeningView => ({
  id,
  kind,
  data: readKept(data, isData, 'what happened'),
})
