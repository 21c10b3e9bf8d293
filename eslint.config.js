import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

/** Host maths that differs between engines in the last bits: the kernels in core/maths stand in for it. */
const HOST_MATHS = [
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'sinh',
  'cosh',
  'tanh',
  'exp',
  'expm1',
  'log',
  'log2',
  'log10',
  'log1p',
  'pow',
  'cbrt',
  'hypot',
]

export default ts.config(
  {
    ignores: [
      '**/dist/**',
      'packages/server/types/**',
      '**/node_modules/**',
      'data/**',
      '.build/**',
      'test-results/**',
      'packages/core/kernels/**',
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: { 'max-lines': ['error', 300] },
  },
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-invalid-void-type': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-undef': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/require-default-prop': 'off',
    },
  },
  {
    // what is heard, drawn and judged must be the same to the last bit in every host
    files: ['packages/core/src/**/*.ts', 'packages/demo/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...HOST_MATHS.map((property) => ({
          object: 'Math',
          property,
          message: 'Use the kernels of core/maths: hosts differ in the last bits.',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "BinaryExpression[operator='**']", message: 'Use the kernel pow of core/maths.' },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'Buffer',
        'performance',
        'fetch',
        'setTimeout',
      ],
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', 'vue', 'hono', 'typeorm', '@rudlo/web', '@rudlo/server'] },
      ],
    },
  },
)
