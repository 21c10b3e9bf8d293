/** A project whose types are read: its folder or tsconfig from the root, and the folders of it that hold components. */
export interface Project {
  readonly name: string
  readonly components?: readonly string[]
}
export const PROJECTS: readonly Project[]
/** @returns what is wrong with its types, one line for each at its place in the sources; empty if all is well */
export function wrongTypes(project: Project, root?: string): Promise<string[]>
