/** Builds whatever differs from what was built last. `web` off: the server alone. */
export function build(options?: { web?: boolean }): Promise<void>
