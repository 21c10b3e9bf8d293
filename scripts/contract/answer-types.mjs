import { join, relative, sep } from 'node:path'
import ts from 'typescript'
import { ROOT } from '../lib/paths.mjs'

/** Numbers by size, words by letter: however the compiler happens to list them. */
const inOrder = (a, b) =>
  typeof a === 'number' && typeof b === 'number' ? a - b : String(a) < String(b) ? -1 : 1

const REF = '#/components/schemas/'

const CONTRACT = join(ROOT, 'packages/contract/src')

/**
 * Reads the types of answers out of the declarations of the server's routes, which the native compiler writes (`wrongTypes`), and
 * what is said about contract types out of their sources.
 */
export class AnswerTypes {
  constructor() {
    const config = ts.getParsedCommandLineOfConfigFile(
      join(ROOT, 'packages/server/tsconfig.json'),
      {},
      {
        ...ts.sys,
        onUnRecoverableConfigFileDiagnostic: (d) => {
          throw new Error(String(d.messageText))
        },
      },
    )
    const main = join(ROOT, 'packages/server/types/api.d.ts')
    const contract = ts.sys.readDirectory(CONTRACT, ['.ts'], ['**/*.test.ts'])
    this.program = ts.createProgram([main, ...contract], { ...config.options, noEmit: true })
    this.checker = this.program.getTypeChecker()
    this.source = this.program.getSourceFile(main)
    /** Schemas of every named type that was met. */
    this.components = {}
  }

  /** Answers by "method path": a schema, null for nothing, undefined for what is no JSON. */
  all() {
    const api = this.source.statements.find((s) => ts.isTypeAliasDeclaration(s) && s.name.text === 'Api')
    const schema = this.checker.getTypeArguments(this.checker.getTypeAtLocation(api.name))[1]
    const answers = {}
    // the routes of every concern are one part of the schema
    for (const part of schema.isUnion() ? schema.types : [schema])
      for (const path of part.getProperties())
        for (const method of this.#typeOf(path).getProperties())
          answers[`${method.name.slice(1)} ${path.name}`] = this.#answerOf(this.#typeOf(method))
    return answers
  }

  /** What the docstrings of a contract class say, of it and by property. */
  docsOf(name) {
    for (const file of this.program.getSourceFiles()) {
      if (!file.fileName.includes('packages/contract/src')) continue
      for (const s of file.statements) {
        if (!ts.isClassDeclaration(s) || s.name?.text !== name) continue
        const type = this.checker.getTypeAtLocation(s)
        return {
          doc: this.#docOf(type.symbol),
          properties: Object.fromEntries(type.getProperties().map((p) => [p.name, this.#docOf(p)])),
        }
      }
    }
    return { doc: '', properties: {} }
  }

  /** Adds a named contract type that no answer has. */
  add(name) {
    for (const file of this.program.getSourceFiles())
      if (file.fileName.includes('packages/contract/src'))
        for (const s of file.statements)
          if (ts.isInterfaceDeclaration(s) && s.name.text === name)
            this.#schemaOf(this.checker.getTypeAtLocation(s))
  }

  #typeOf(symbol) {
    return this.checker.getTypeOfSymbol(symbol)
  }

  #answerOf(endpoint) {
    const said = (type) => {
      const read = (name) => {
        const property = type.getProperty(name)
        return property && this.#typeOf(property)
      }
      const format = read('outputFormat')
      const output = read('output')
      if (!output || !format?.isStringLiteral() || format.value !== 'json') return undefined
      return output.flags & ts.TypeFlags.Null ? null : this.#schemaOf(output)
    }
    const options = (endpoint.isUnion() ? endpoint.types : [endpoint]).map(said)
    return options.find((o) => o !== undefined)
  }

  #docOf(symbol) {
    return ts.displayPartsToString(symbol?.getDocumentationComment(this.checker)).replace(/\s+/g, ' ')
  }

  #isOurs(symbol) {
    const file = symbol?.declarations?.[0]?.getSourceFile().fileName
    return file !== undefined && !relative(ROOT, file).split(sep).includes('node_modules')
  }

  #schemaOf(type) {
    const { checker } = this
    const { flags } = type
    if (flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown)) return {}
    if (flags & ts.TypeFlags.Null) return { type: 'null' }
    if (type.isStringLiteral() || type.isNumberLiteral()) return { const: type.value }
    if (flags & ts.TypeFlags.BooleanLiteral) return { const: checker.typeToString(type) === 'true' }
    if (flags & ts.TypeFlags.StringLike) return { type: 'string' }
    if (flags & ts.TypeFlags.NumberLike) return { type: 'number' }
    if (flags & ts.TypeFlags.BooleanLike && !type.isUnion()) return { type: 'boolean' }
    if (type.isUnion()) return this.#unionOf(type)
    if (checker.isTupleType(type))
      return { type: 'array', prefixItems: checker.getTypeArguments(type).map((t) => this.#schemaOf(t)) }
    if (checker.isArrayType(type))
      return { type: 'array', items: this.#schemaOf(checker.getTypeArguments(type)[0]) }
    return this.#named(type)
  }

  #unionOf(type) {
    const types = type.types.filter((t) => !(t.flags & ts.TypeFlags.Undefined))
    const isNull = types.some((t) => t.flags & ts.TypeFlags.Null)
    const rest = types.filter((t) => !(t.flags & ts.TypeFlags.Null))
    const literals = rest.filter((t) => t.isStringLiteral() || t.isNumberLiteral())
    const booleans = rest.filter((t) => t.flags & ts.TypeFlags.BooleanLiteral)
    const others = rest.filter((t) => !literals.includes(t) && !booleans.includes(t))
    const options = [
      ...(literals.length ? [{ enum: literals.map((t) => t.value).sort(inOrder) }] : []),
      ...(booleans.length === 2
        ? [{ type: 'boolean' }]
        : booleans.map((t) => ({ const: this.checker.typeToString(t) === 'true' }))),
      ...others.map((t) => this.#schemaOf(t)),
      ...(isNull ? [{ type: 'null' }] : []),
    ]
    return options.length === 1 ? options[0] : { anyOf: options }
  }

  #named(type) {
    const symbol = type.aliasSymbol ?? type.symbol
    const name = symbol?.name
    if (!name || name.startsWith('__') || !this.#isOurs(symbol) || type.aliasTypeArguments?.length)
      return this.#objectOf(type)
    if (!(name in this.components)) {
      this.components[name] = {}
      const description = this.#docOf(symbol)
      this.components[name] = { ...(description ? { description } : {}), ...this.#objectOf(type) }
    }
    return { $ref: REF + name }
  }

  #objectOf(type) {
    const values = this.checker.getIndexInfosOfType(type)[0]
    const properties = {}
    const required = []
    for (const property of this.checker.getPropertiesOfType(type)) {
      const description = this.#docOf(property)
      const schema = this.#schemaOf(this.#typeOf(property))
      properties[property.name] = description ? { description, ...schema } : schema
      if (!(property.flags & ts.SymbolFlags.Optional)) required.push(property.name)
    }
    return {
      type: 'object',
      ...(Object.keys(properties).length ? { properties, required: required.sort() } : {}),
      ...(values ? { additionalProperties: this.#schemaOf(values.type) } : {}),
    }
  }
}
