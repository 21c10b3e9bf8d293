import { route, routeWithBody, type Route } from '../http/route'
import type { Services } from '../services'
import { MoreGroupsBody } from './several-groups'

/** Which groups have an assignment, and giving it to more of them. */
export function severalGroupsRoutes({ permissions, severalGroups }: Services): Route[] {
  return [
    route('get', '/api/assignments/:assignment/groups', 'teacher', async ({ person, param }) =>
      severalGroups.of(person, await permissions.assignment(person, param('assignment'))),
    ),

    routeWithBody(
      'post',
      '/api/assignments/:assignment/groups',
      'teacher',
      MoreGroupsBody,
      async ({ person, param, body }) => {
        const assignment = await permissions.assignment(person, param('assignment'))
        return { count: await severalGroups.give(person, assignment, body.groups) }
      },
    ),
  ]
}
