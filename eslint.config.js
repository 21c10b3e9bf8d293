import js from '@eslint/js'
import i18n from '@intlify/eslint-plugin-vue-i18n'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import words from './scripts/lint/words.mjs'

/** Values of data that have a space in them: compared and sent, never shown. */
const DATA = [
  'handed in',
  'given back',
  'not yet',
  'not saved',
  'play to stop',
  'fine control',
  'ploughed over',
  'any onset',
  'fade in',
  'fade out',
  'to and fro',
]

/** What is made in ui/, on Vuetify: rooms take it from there. */
const BY_UI = [
  'button',
  'input',
  'select',
  'textarea',
  'table',
  'details',
  'dialog',
  'progress',
  'v-btn',
  'v-text-field',
  'v-textarea',
  'v-select',
  'v-checkbox',
  'v-switch',
  'v-dialog',
  'v-menu',
  'v-tabs',
  'v-tooltip',
  'v-data-table',
  'v-date-input',
  'v-file-input',
  'v-radio-group',
  'v-chip',
  'v-expansion-panels',
]
const UI = ['packages/web/src/ui/**']
/** The lane desk's own surfaces: points, handles and flags on the song. */
const SURFACES = ['packages/web/src/editor/**']

/** Components alone: templates need a linter that reads them. Everything else is oxlint's (.oxlintrc.json). */
export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'data/**', '.build/**', 'test-results/**'] },
  {
    files: ['**/*.vue'],
    extends: [js.configs.recommended, ...ts.configs.strict, ...vue.configs['flat/recommended']],
    // which names there are is the compiler's: nothing here looks them up
    languageOptions: { parserOptions: { parser: ts.parser, lib: [] } },
    rules: {
      'max-lines': ['error', 300],
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
    files: ['packages/web/src/**/*.vue'],
    plugins: { '@intlify/vue-i18n': i18n, words },
    rules: {
      '@intlify/vue-i18n/no-raw-text': [
        'error',
        {
          attributes: {
            '/.+/': [
              'title',
              'aria-label',
              'aria-placeholder',
              'aria-roledescription',
              'aria-valuetext',
              'alt',
              'label',
              'placeholder',
              'text',
              'hint',
              'tip',
              'subtitle',
              'data-tip',
              'yes',
              'no',
              'before',
              'about',
              'note',
              'none',
              'said',
              'fault',
            ],
          },
          // signs, units and figures are the same in every language
          ignorePattern: '^[^\\p{L}]*$|^(dB|LU|LUFS|dBTP|Hz|kHz|ms|s|px|CSV|MIDI|JSON|FX)$',
          ignoreText: ['Rudlo'],
        },
      ],
      'words/no-loose-text': ['error', { data: DATA }],
    },
  },
  {
    files: ['packages/web/src/**/*.vue'],
    ignores: [...UI, ...SURFACES],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...BY_UI.map((element) => ({ element, message: `<${element}> is made in ui/.` })),
      ],
    },
  },
)
