import type { OwnVersion } from '@rudlo/contract/handins'
import type { TryView } from '@rudlo/contract/works'
import type { WorkDocument } from '@rudlo/core/mix'
import { shallowRef, type Ref } from 'vue'
import { server, told } from '../api/client'

/** Who else handed this in: the other one of a pair signs with name and password. */
export type Partner = { readonly signIn: string; readonly password: string }

/**
 * What of a work is kept beside it on the server: tries, and the versions that were handed in.
 * @param work its id
 */
export function useVersions(work: Readonly<Ref<string>>) {
  const tries = shallowRef<readonly TryView[]>([])
  const versions = shallowRef<readonly OwnVersion[]>([])

  async function refreshTries(): Promise<void> {
    tries.value = await told(server.works[':work'].tries.$get({ param: { work: work.value } }))
  }

  async function refreshVersions(): Promise<void> {
    versions.value = await told(server.works[':work']['hand-ins'].$get({ param: { work: work.value } }))
  }

  /** Keeps a document as a try. @throws ApiError or Unreachable with a sentence */
  const addTry = (name: string, document: WorkDocument) =>
    told(server.works[':work'].tries.$post({ param: { work: work.value }, json: { name, document } }))

  /**
   * Hands in what is saved, with what the student was going for, where the hand still writes, and the other one of a pair.
   * @throws ApiError or Unreachable with a sentence
   */
  async function handIn(
    revision: number,
    said: string,
    writing: readonly string[],
    partner: Partner | null,
  ): Promise<OwnVersion> {
    const made = await told(
      server.works[':work']['hand-ins'].$post({
        param: { work: work.value },
        json: { revision, said, writing, ...(partner ? { partner } : {}) },
      }),
    )
    await refreshVersions()
    return made
  }

  /** Takes a version away again. @throws ApiError where a teacher has looked at it */
  async function withdraw(handIn: string): Promise<void> {
    await told(server['hand-ins'][':handIn'].$delete({ param: { handIn } }))
    await refreshVersions()
  }

  return { tries, versions, refreshTries, refreshVersions, addTry, handIn, withdraw }
}
