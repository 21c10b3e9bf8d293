/** Options of Node for a process that ends before optimized code pays. */
export const SHORT_LIVED: readonly string[]
