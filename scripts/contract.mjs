/** `npm run contract`: describes every route from the routes and the contract. `--check`: whether the description is up to date. */
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build as esbuild } from 'esbuild'
import { format } from 'oxfmt'
import { AnswerTypes } from './contract/answer-types.mjs'
import { markdown } from './contract/markdown.mjs'
import { buildKernels } from './kernels.mjs'
import { ROOT } from './lib/paths.mjs'
import { wrongTypes } from './types.mjs'

const JSON_FILE = join(ROOT, 'packages/server/src/openapi/openapi.json')
const PAGE = join(ROOT, 'docs/contract.md')

await buildKernels()
// what answers are is read out of declarations; `--declared`: they are there, and as they would be now
if (!process.argv.includes('--declared')) {
  const wrong = await wrongTypes('packages/server/tsconfig.api.json')
  if (wrong.length) throw new Error(wrong.join('\n'))
}
const { describedRoutes, requestSchemas, errorCodes } = await loadRoutes()
const types = new AnswerTypes()
const answers = types.all()
types.add('ErrorAnswer')
types.add('CommandReport')

const routes = describedRoutes()
const document = {
  openapi: '3.1.0',
  info: { title: 'Rudlo', version: '1', description: 'What the server of an installation can be asked.' },
  paths: pathsOf(routes),
  components: {
    schemas: sorted({ ...types.components, ...requests() }),
    securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'rudlo_session' } },
  },
  'x-errors': errorCodes,
}

const wanted = [
  [JSON_FILE, await formatted(JSON_FILE, JSON.stringify(document))],
  [PAGE, await formatted(PAGE, markdown(document))],
]
const stale = wanted.filter(([file, text]) => !existsSync(file) || readFileSync(file, 'utf8') !== text)
if (!process.argv.includes('--check')) for (const [file, text] of stale) writeFileSync(file, text)
else if (stale.length) {
  process.stderr.write('The description of the contract is not what it would be now: npm run contract\n')
  process.exitCode = 1
}

/** The routes as the server has them, by running its own code. */
async function loadRoutes() {
  const outfile = join(ROOT, '.build/contract/routes.mjs')
  mkdirSync(dirname(outfile), { recursive: true })
  await esbuild({
    entryPoints: [join(ROOT, 'packages/server/src/openapi/describe.ts')],
    tsconfig: join(ROOT, 'packages/server/tsconfig.json'),
    outfile,
    bundle: true,
    format: 'esm',
    platform: 'node',
    logLevel: 'warning',
    plugins: [
      {
        name: 'packages-outside',
        setup: (b) =>
          b.onResolve({ filter: /^[^./]/ }, ({ path }) =>
            path.startsWith('@rudlo/') ? null : { external: true },
          ),
      },
    ],
  })
  try {
    return await import(pathToFileURL(outfile).href)
  } finally {
    rmSync(outfile)
  }
}

/** Schemas of the request classes that a route takes, and of those inside them, with what their docstrings say. */
function requests() {
  const all = requestSchemas()
  const used = new Set(routes.flatMap((r) => [r.json, r.query]).filter(Boolean))
  for (const name of used)
    for (const [, inner] of JSON.stringify(all[name] ?? {}).matchAll(/schemas\/(\w+)"/g))
      if (inner in all) used.add(inner)
  return Object.fromEntries(
    [...used].map((name) => {
      const { doc, properties } = types.docsOf(name)
      const schema = structuredClone(all[name])
      for (const [property, means] of Object.entries(properties))
        if (means && schema.properties?.[property]) {
          const { description, ...rest } = schema.properties[property]
          void description
          schema.properties[property] = { description: means, ...rest }
        }
      return [name, { ...(doc ? { description: doc } : {}), ...schema }]
    }),
  )
}

function pathsOf(all) {
  const paths = {}
  for (const route of all) {
    const path = route.path.replace(/:(\w+)/g, '{$1}')
    paths[path] = { ...paths[path], [route.method]: operationOf(route) }
  }
  return sorted(paths)
}

function operationOf({ method, path, who, json, query, bytes, limit }) {
  const key = `${method} ${path}`
  const schema = answers[key]
  const inPath = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string', pattern: '^[A-Za-z0-9_-]{1,64}$' },
  }))
  const { properties = {}, required = [] } = query ? requestSchemas()[query] : {}
  const inQuery = Object.entries(properties).map(([name, s]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: s,
  }))
  const content = json
    ? { 'application/json': { schema: { $ref: `#/components/schemas/${json}` } } }
    : bytes
      ? { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } }
      : null
  const ok =
    schema === null
      ? { 204: { description: 'It was done.' } }
      : {
          200: {
            description: 'The answer.',
            ...(schema ? { content: { 'application/json': { schema } } } : {}),
          },
        }
  return {
    operationId: `${method}${path.replace(/[^A-Za-z]+(\w)/g, (_, c) => c.toUpperCase()).replace(/\W/g, '')}`,
    'x-who': who,
    ...(who === 'anyone' ? {} : { security: [{ session: [] }] }),
    ...(inPath.length + inQuery.length ? { parameters: [...inPath, ...inQuery] } : {}),
    ...(content ? { requestBody: { required: true, content, 'x-limit': limit } } : {}),
    responses: {
      ...ok,
      default: {
        description: 'Why there is none.',
        content: { 'application/json': { schema: { $ref: '#/components/schemas/ErrorAnswer' } } },
      },
    },
  }
}

function sorted(record) {
  return Object.fromEntries(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)))
}

/** As the formatter of the project would write a file. */
async function formatted(file, text) {
  const options = JSON.parse(readFileSync(join(ROOT, '.oxfmtrc.json'), 'utf8'))
  const { code, errors } = await format(file, text, options)
  if (errors.length) throw new Error(errors[0].message)
  return code
}
