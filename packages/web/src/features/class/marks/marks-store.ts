import type { GradeCell, GradesView } from '@rudlo/contract/grades'
import { gradeText, type GradeScheme } from '@rudlo/core/grades'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { server, told } from '../../../api/client'

/** The marks of a class, as they are looked at and given. */
export const useMarks = defineStore('marks', () => {
  const grades = shallowRef<GradesView | null>(null)
  const problem = ref('')
  const notice = ref<string | null>(null)
  let group = ''

  async function open(id: string): Promise<void> {
    if (group !== id) grades.value = null
    group = id
    problem.value = ''
    try {
      const found = await told(server.groups[':group'].grades.$get({ param: { group: id } }))
      // another class was opened meanwhile
      if (group === id) grades.value = found
    } catch (error) {
      if (group === id) problem.value = (error as Error).message
    }
  }

  /** Does something and shows how it is now. @throws what the server says */
  async function change(what: () => Promise<unknown>): Promise<void> {
    await what()
    await open(group)
  }

  const setScheme = (scheme: GradeScheme) =>
    change(() =>
      told(
        server.groups[':group'].grades.$put({
          param: { group },
          json: { scheme, revision: grades.value!.revision },
        }),
      ),
    )
  const setOverall = (person: string, share: number | null, reason: string) =>
    change(() =>
      told(
        server.groups[':group'].grades[':person'].$put({ param: { group, person }, json: { share, reason } }),
      ),
    )
  const excuse = (assignment: string, person: string, excused: boolean, reason: string) =>
    change(() =>
      told(
        server.assignments[':assignment'].excused[':person'].$put({
          param: { assignment, person },
          json: { excused, reason },
        }),
      ),
    )

  /** A mark as the school writes it; empty for none. */
  const textOf = (share: number | null): string =>
    share === null || !grades.value ? '' : gradeText(grades.value.scheme.scale, share)
  const cellOf = (assignment: string, student: string): GradeCell | undefined =>
    grades.value?.cells.find((c) => c.assignment === assignment && c.student === student)

  return { grades, problem, notice, open, setScheme, setOverall, excuse, textOf, cellOf }
})
