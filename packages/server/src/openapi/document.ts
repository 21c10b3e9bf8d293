import document from './openapi.json'

/** The description of every route, OpenAPI 3.1. Made by `npm run contract`, from the routes and the contract. */
export const openapi = (): Readonly<Record<string, unknown>> => document
