export const ROOT: string
export const DATA: string
export const SERVER_DIST: string
export const WEB_DIST: string
export const COMPONENT_TESTS: string
