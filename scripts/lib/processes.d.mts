export function commandOf(pid: number): string[]
export function processWith(word: string): { pid: number; command: string[] } | null
