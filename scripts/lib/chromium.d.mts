export const CHROMIUM: { executablePath: string; args: string[] }
