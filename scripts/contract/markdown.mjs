const nameOf = (ref) => ref.slice(ref.lastIndexOf('/') + 1)
const anchor = (name) => `[${name}](#${name.toLowerCase()})`

/** A schema in a few words. */
function inWords(schema) {
  if (!schema || !Object.keys(schema).length) return 'anything'
  if (schema.$ref) return anchor(nameOf(schema.$ref))
  if (schema.anyOf) return schema.anyOf.map(inWords).join(' or ')
  if (schema.enum) return schema.enum.map((v) => `\`${v}\``).join(' or ')
  if ('const' in schema) return `\`${schema.const}\``
  if (schema.type === 'array') return schema.items ? `list of ${inWords(schema.items)}` : 'list'
  if (schema.type === 'object' && schema.additionalProperties)
    return `${inWords(schema.additionalProperties)} by name`
  if (schema.type === 'object' && schema.properties)
    return `{ ${Object.entries(schema.properties)
      .map(([name, s]) => `${name}: ${inWords(s)}`)
      .join('; ')} }`
  return schema.format === 'date-time' ? 'moment' : String(schema.type ?? 'anything')
}

const BOUNDS = {
  minLength: (v) => `at least ${v} characters`,
  maxLength: (v) => `at most ${v} characters`,
  minimum: (v) => `from ${v}`,
  maximum: (v) => `to ${v}`,
  minItems: (v) => `at least ${v} entries`,
  maxItems: (v) => `at most ${v} entries`,
}
const boundsOf = (schema) =>
  Object.entries(BOUNDS).flatMap(([key, say]) => (schema[key] === undefined ? [] : [say(schema[key])]))

const cell = (text) => text.replaceAll('|', '\\|').replaceAll('\n', ' ')

function section(name, schema) {
  const lines = [`### ${name}`, '']
  if (schema.description) lines.push(schema.description, '')
  const properties = Object.entries(schema.properties ?? {})
  if (!properties.length) return [...lines, inWords({ ...schema, description: undefined }), '']
  lines.push('| Property | Is | Means |', '| --- | --- | --- |')
  for (const [property, s] of properties) {
    const optional = (schema.required ?? []).includes(property) ? '' : ' (may be missing)'
    const is = [inWords(s), ...boundsOf(s)].join(', ') + optional
    lines.push(`| \`${property}\` | ${cell(is)} | ${cell(s.description ?? '')} |`)
  }
  return [...lines, '']
}

const WHO = {
  anyone: 'anyone',
  'signed-in': 'whoever is signed in',
  student: 'students',
  teacher: 'teachers',
}

/** The contract as a page for people, made from its description. */
export function markdown({ paths, components, 'x-errors': errors }) {
  const lines = [
    '# The contract',
    '',
    'What server and browser say to each other. Made from the routes and `packages/contract` by `npm run contract`: not written',
    'by hand, and `npm test` fails where it is not what it would be now. The same as JSON: `GET /api/openapi.json` (OpenAPI 3.1).',
    '',
    'Whoever is signed in sends the cookie `rudlo_session`. A wrong role, and whatever is somebody else’s, is answered with 404.',
    '',
    '## Errors',
    '',
    'An error is `{ "error": { "code", "message" } }`; the message is one sentence for a person.',
    '',
    '| Code | Means |',
    '| --- | --- |',
    ...Object.entries(errors).map(([code, means]) => `| \`${code}\` | ${cell(means)} |`),
    '',
    '## Routes',
    '',
    '| Route | For | Takes | Answers |',
    '| --- | --- | --- | --- |',
  ]
  for (const [path, methods] of Object.entries(paths))
    for (const [method, route] of Object.entries(methods)) {
      const takes = [
        ...(route.parameters ?? []).filter((p) => p.in === 'query').map((p) => `\`?${p.name}\``),
        ...Object.entries(route.requestBody?.content ?? {}).map(([type, { schema }]) =>
          type === 'application/json' ? inWords(schema) : 'bytes',
        ),
      ].join(', ')
      const [status, ok] = Object.entries(route.responses)[0]
      const json = ok.content?.['application/json']?.schema
      const answers = status === '204' ? 'nothing' : json ? inWords(json) : 'a file'
      lines.push(
        `| \`${method.toUpperCase()} ${path}\` | ${WHO[route['x-who']]} | ${cell(takes)} | ${cell(answers)} |`,
      )
    }
  lines.push('', '## Shapes', '')
  for (const [name, schema] of Object.entries(components.schemas)) lines.push(...section(name, schema))
  return lines.join('\n').trimEnd() + '\n'
}
