import type { TryView, WorkHead, WorkView } from '@rudlo/contract/works'
import { readWork } from '@rudlo/core/stored'
import { textOf } from '../http/moment'
import type { WorkNow } from './documents'
import type { Try, Work } from './entities'

export const workView = ({ id, assignmentId, window, updatedAt }: Work, now: WorkNow): WorkView => ({
  id,
  assignmentId,
  window,
  updatedAt: textOf(updatedAt),
  ...now,
})

export const headView = ({ revision, window }: Work): WorkHead => ({ revision, window })

export const tryView = ({ id, name, document, createdAt }: Try): TryView => ({
  id,
  name,
  createdAt: textOf(createdAt),
  document: readWork(document),
})
