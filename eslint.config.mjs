import js from '@eslint/js'
import formatted from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

const nuxtWords = Object.fromEntries(
  [
    'defineNuxtConfig',
    'defineNitroPlugin',
    'useFetch',
    'useNuxtApp',
    'useRoute',
    'useHead',
    'navigateTo',
    'definePageMeta',
    'useStorage'
  ].map((word) => [word, 'readonly'])
)
const platform = Object.fromEntries(
  [
    'console',
    'process',
    'window',
    'document',
    'localStorage',
    'crypto',
    'fetch',
    'setTimeout',
    'clearTimeout',
    'performance',
    'URL',
    'Worker',
    'Intl',
    'AbortSignal',
    'structuredClone',
    'Buffer',
    'HTMLInputElement',
    'HTMLElement',
    'File',
    'KeyboardEvent',
    'PointerEvent',
    'Element',
    'NodeJS'
  ].map((word) => [word, 'readonly'])
)

export default ts.config(
  { ignores: ['.nuxt/', '.output/', '.data/', 'node_modules/', 'test-results/', '**/*.cjs'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  formatted,
  {
    languageOptions: { globals: { ...nuxtWords, ...platform }, parserOptions: { parser: ts.parser } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      // In a table of what a layer says, a code without figures.
      '@typescript-eslint/no-empty-object-type': ['error', { allowObjectTypes: 'always' }],
      complexity: ['error', 16],
      'max-depth': ['error', 3],
      'vue/multi-word-component-names': 'off',
      // A prop of that name: the thing that can be read on a drive.
      'vue/no-deprecated-slot-attribute': 'off',
      'vue/attributes-order': 'off',
      'vue/html-self-closing': ['error', { html: { void: 'always' } }],
      // The formatter breaks all but these.
      'vue/max-len': [
        'error',
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignoreHTMLAttributeValues: true,
          ignoreUrls: true
        }
      ]
    }
  },
  {
    files: ['core/**'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'localStorage', 'fetch'],
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(vue|nuxt|pinia|sequelize|h3|node:|#)', message: 'The core is plain TypeScript.' }] }
      ]
    }
  },
  {
    files: ['test/**'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/consistent-type-imports': 'off',
      'no-empty-pattern': 'off',
      'no-sequences': 'off',
      '@typescript-eslint/no-unused-expressions': 'off'
    }
  }
)
