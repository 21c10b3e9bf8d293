/** Folders with a tsconfig.json, or a tsconfig, from the root on. */
export const PROJECTS: readonly string[]
/** @returns what is wrong with its types, one line for each at its place in the sources; empty if all is well */
export function wrongTypes(project: string): Promise<string[]>
