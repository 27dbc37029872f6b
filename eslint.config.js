import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'

/** Where SQL may not stand. */
const WITHOUT_SQL = 'server/src/{routes,live,access,rehearsal,work}/**/*.ts'

/** Screens, and what only ESLint can ask of others. All other files are read by oxlint, in a second (`.oxlintrc.json`). */
export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.data/**',
      'test-results/**',
      '**/*.{ts,mts,js,mjs,cjs}',
      `!${WITHOUT_SQL}`,
      '**/*.test.ts',
    ],
  },
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'vue/block-lang': ['error', { script: { lang: 'ts' } }],
    },
  },
  {
    files: ['web/src/**/*.vue'],
    rules: {
      'vue/no-restricted-syntax': [
        'error',
        ...[
          ['button', 'btn', 'BButton'],
          ['input', 'form-control', 'BFormInput'],
          ['select', 'form-select', 'BFormSelect'],
          ['textarea', 'form-control', 'BFormTextarea'],
        ].map(([element, dress, ours]) => ({
          selector: `VElement[rawName='${element}'] > VStartTag > VAttribute[directive=false][key.name='class'] > VLiteral[value=/\\b${dress}\\b/]`,
          message: `${ours} of the interface kit stands here; own elements do not wear its clothes.`,
        })),
        {
          selector:
            "VElement[rawName='input'] > VStartTag > VAttribute[directive=false][key.name='type'] > VLiteral[value=/^(checkbox|radio)$/]",
          message: 'BFormCheckbox or BFormRadio of the interface kit stands here.',
        },
      ],
    },
  },
  {
    rules: {
      eqeqeq: 'error',
      'no-empty': ['error', { allowEmptyCatch: false }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      // a payload without properties is a class all the same, because classes are the schema
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
    },
  },
  {
    files: [WITHOUT_SQL],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='query']",
          message: 'SQL stands in stores: add a function there.',
        },
      ],
    },
  },
)
