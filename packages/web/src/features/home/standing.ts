import type { AssignmentCard } from '@rudlo/contract/assignments'

/** How far somebody is with an assignment, in words, and what the button to go on says. */
export interface Standing {
  readonly text: string
  readonly sign: 'new' | 'going' | 'waiting' | 'back' | 'done'
  readonly button: string
}

/** For a student how far they are; for a teacher how far the group is. */
export function standingOf({ mine, counts }: AssignmentCard): Standing {
  if (counts) {
    const { students, waiting, held, givenBack } = counts
    const parts = [
      `${waiting + held + givenBack} of ${students} handed in`,
      waiting ? `${waiting} waiting for you` : 'none waiting',
      ...(held ? [`${held} ready to give back`] : []),
    ]
    return { text: parts.join(', '), sign: waiting ? 'waiting' : 'done', button: 'Open the review desk' }
  }
  const last = mine?.handIn
  if (!last) {
    return mine?.begun
      ? { text: 'Begun, not handed in yet', sign: 'going', button: 'Go on' }
      : { text: 'Not begun yet', sign: 'new', button: 'Begin' }
  }
  if (last.state !== 'given back') {
    return { text: `Version ${last.number} is with your teacher`, sign: 'waiting', button: 'Look at it' }
  }
  if (last.outcome === 'accepted') {
    return { text: `Version ${last.number} was accepted`, sign: 'done', button: 'See what came back' }
  }
  return mine?.changedSince
    ? { text: `Working on version ${last.number + 1}`, sign: 'going', button: 'Go on' }
    : { text: `Version ${last.number} came back to you`, sign: 'back', button: 'See what came back' }
}
