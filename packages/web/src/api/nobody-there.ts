/** Answers of whatever lies between this browser and the server: nobody is there. */
const AWAY: readonly number[] = [502, 503, 504]

/** Whether an answer says that the server could not be reached, or its database could not. */
export const isNobodyThere = ({ status }: Pick<Response, 'status'>): boolean => AWAY.includes(status)
