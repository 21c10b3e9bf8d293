/**
 * Rules of our own for oxlint: what is heard, drawn and judged must be the same to the last bit in every host, so the
 * maths in which hosts differ is left to the kernels of core/maths.
 */

/** Host maths that differs between engines in the last bits. */
const HOST_MATHS = new Set(
  'sin cos tan asin acos atan atan2 sinh cosh tanh exp expm1 log log2 log10 log1p pow cbrt hypot'.split(' '),
)
const INSTEAD = 'Use the kernels of core/maths: hosts differ in the last bits.'

const hostMaths = {
  create: (context) => ({
    MemberExpression(node) {
      const name = node.computed ? node.property.value : node.property.name
      if (node.object.name === 'Math' && HOST_MATHS.has(name))
        context.report({ node, message: `Math.${name}: ${INSTEAD}` })
    },
    BinaryExpression(node) {
      if (node.operator === '**') context.report({ node, message: `**: ${INSTEAD}` })
    },
    AssignmentExpression(node) {
      if (node.operator === '**=') context.report({ node, message: `**=: ${INSTEAD}` })
    },
  }),
}

export default { meta: { name: 'kernels' }, rules: { 'host-maths': hostMaths } }
