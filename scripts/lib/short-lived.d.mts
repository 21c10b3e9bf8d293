/** Options of Node for a process that ends before optimized code pays. */
export function shortLived(): readonly string[]
