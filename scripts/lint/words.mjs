/**
 * A rule of our own for ESLint and oxlint: what a person reads stands in the catalogs of packages/words. Text in code is found by
 * how it looks: several words, or a word with a capital.
 */

/** Names of keys and events, of products and fonts: no text of ours. */
const NAMES = new Set(
  (
    'Escape Enter Home End Delete Backspace Tab Space Control Shift Meta Alt PageUp PageDown ArrowUp ArrowDown ArrowLeft ArrowRight ' +
    'Insert Rudlo Range Content-Type Error RangeError TypeError AbortError'
  ).split(' '),
)
/** Whoever is called with text for machines. */
const MACHINES =
  /^(querySelector(All)?|closest|matches|getContext|setProperty|getPropertyValue|addEventListener|removeEventListener|useEventListener|defineStore|import|require|RegExp|getElementById)$/
/** Values of data that have a space in them: they are compared and sent, never shown. */
const several = (options) => new Set(options?.[0]?.data ?? [])

const isText = (text) =>
  (/\p{L}{2,},? \p{L}{2,}/u.test(text) || /^\p{Lu}\p{Ll}{2,}( |$|[.!?,:…])/u.test(text)) &&
  // selectors, styles, paths and markup
  !/sans-serif|Variable$|[{}<>=;#]|^[.[(]|\d(px|ms|%)|rgb\(|^[a-z]+\/[a-z-]+$|var\(/.test(text)

const looseText = {
  meta: { schema: [{ type: 'object', properties: { data: { type: 'array' } } }] },
  create(context) {
    const data = several(context.options)
    const told = (node, text) => {
      if (!isText(text) || NAMES.has(text.trim()) || data.has(text)) return
      for (let at = node.parent, inner = node; at; inner = at, at = at.parent) {
        if (
          /^(Import|Export|TS)/.test(at.type) &&
          at.type !== 'TSAsExpression' &&
          at.type !== 'TSSatisfiesExpression' &&
          at.type !== 'TSNonNullExpression'
        ) {
          if (at.type === 'ExportNamedDeclaration' || at.type === 'ExportDefaultDeclaration') break
          return
        }
        if (at.type === 'Property' && at.key === inner && !at.computed) return
        if (at.type === 'CallExpression' || at.type === 'NewExpression') {
          const { callee } = at
          const name = callee.type === 'MemberExpression' ? callee.property.name : callee.name
          // what only a programmer meets is not translated
          if (MACHINES.test(name ?? '') || /^(RangeError|TypeError|Worker|URL|Intl)$/.test(name ?? '')) return
          if (callee.type === 'MemberExpression' && /^(console|Intl)$/.test(callee.object.name ?? '')) return
          break
        }
        if (/Function|Statement|Declaration/.test(at.type)) break
      }
      context.report({
        node,
        message: `Text in code: “${text.slice(0, 40)}” belongs in a catalog (packages/words).`,
      })
    }
    return {
      Literal(node) {
        if (typeof node.value === 'string') told(node, node.value)
      },
      TemplateElement(node) {
        told(node, node.value.cooked ?? '')
      },
    }
  },
}

/** A whole sentence: a capital, several words, an end. */
const isSentence = (text) =>
  /^[\p{Lu}“"{].*\p{L}{2,} .*[.!?]$/su.test(text) && !/^(SELECT|INSERT|UPDATE|DELETE)\b/.test(text.trim())
/** Whoever is told something by a programmer, or reads the terminal of the server. */
const NOT_PEOPLE =
  /^(Error|RangeError|TypeError|TooLong|PoolBusy|BadBackup|DamagedDatabase|console|log|warn|info|error|say|describe|option)$/

/** What the computation, the contract and the server refuse is said in the catalogs as well. */
const looseSentence = {
  meta: { schema: [] },
  create(context) {
    const told = (node, text) => {
      if (!isSentence(text)) return
      for (let at = node.parent; at; at = at.parent) {
        if (/^(Import|TS)/.test(at.type)) return
        if (at.type === 'CallExpression' || at.type === 'NewExpression') {
          const { callee } = at
          // the message of an error that somebody else puts into words
          if (callee.type === 'Super') return
          const names =
            callee.type === 'MemberExpression' ? [callee.property.name, callee.object.name] : [callee.name]
          if (names.some((name) => NOT_PEOPLE.test(name ?? ''))) return
        }
        if (/Function|Declaration/.test(at.type)) break
      }
      context.report({
        node,
        message: `A sentence in code: “${text.slice(0, 40)}” belongs in a catalog (packages/words).`,
      })
    }
    return {
      Literal(node) {
        if (typeof node.value === 'string') told(node, node.value)
      },
      TemplateLiteral(node) {
        told(node, node.quasis.map((q) => q.value.cooked ?? '').join('{}'))
      },
    }
  },
}

export default {
  meta: { name: 'words' },
  rules: { 'no-loose-text': looseText, 'no-loose-sentence': looseSentence },
}
