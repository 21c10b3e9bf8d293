import type { TryView, WorkHead, WorkView } from '@rudlo/contract/works'
import { readWork } from '@rudlo/core/stored'
import { textOf } from '../http/moment'
import type { Try, Work } from './entities'

export const workView = ({
  id,
  assignmentId,
  revision,
  document,
  window,
  lastSave,
  updatedAt,
}: Work): WorkView => ({
  id,
  assignmentId,
  revision,
  document: readWork(document),
  window,
  lastSave,
  updatedAt: textOf(updatedAt),
})

export const headView = ({ revision, window }: Work): WorkHead => ({ revision, window })

export const tryView = ({ id, name, document, createdAt }: Try): TryView => ({
  id,
  name,
  createdAt: textOf(createdAt),
  document: readWork(document),
})
