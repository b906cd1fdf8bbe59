import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import ts from 'typescript-eslint';
import { noEventLists } from './scripts/event-lists.mjs';

/** These make every program look alike; our own few drawings and pieces of paper take their place. */
const ALIKE = [
  'v-card',
  'v-data-table',
  'v-app-bar',
  'v-navigation-drawer',
  'v-chip',
  'v-stepper',
  'v-list',
  'v-table',
  'v-toolbar',
  'v-tabs',
  'v-expansion-panels',
  'v-alert',
  'v-btn',
];

export default ts.config(
  { ignores: ['dist/', 'node_modules/', 'docs/', 'server/database/migrations/'] },
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'vue/no-restricted-component-names': ['error', ...ALIKE],
      'vue/no-restricted-html-elements': ['error', ...ALIKE],
      'vue/no-v-html': 'error',
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: true } }],
    },
  },
  {
    files: ['{core,words,contract,server,web,shell}/**/*.{ts,vue}'],
    // The definitions themselves, and their forms and lines, which are total by type.
    ignores: ['{core,contract,words}/events/**', '**/*.test.ts', '**/test/**'],
    plugins: { jade: { rules: { 'no-event-lists': noEventLists } } },
    rules: { 'jade/no-event-lists': 'error' },
  },
  { files: ['**/*.config.*', '**/*.vue', 'eslint.config.mjs'], rules: { 'no-restricted-exports': 'off' } },
  prettier,
);
