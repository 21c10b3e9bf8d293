/** Text from so many characters on takes long enough to read that others should get a turn in between. */
const LARGE = 200_000

/** Lets whatever else waits have its turn. */
export const breath = (): Promise<void> => new Promise((resolve) => setImmediate(resolve))

/** The same where what was just done, or comes next, is large; nothing otherwise. */
export const breathFor = (length: number): Promise<void> | undefined =>
  length > LARGE ? breath() : undefined
