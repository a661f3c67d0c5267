import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import { defineConfig } from 'eslint/config';
import ts from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

export default defineConfig(
  { ignores: ['dist', 'node_modules', 'src/core/wasm_exec.js', 'src/generated'] },
  vue.configs['flat/recommended'],
  {
    files: ['src/**/*.ts', 'src/**/*.vue'],
    extends: [ts.configs.strictTypeChecked],
    languageOptions: {
      parserOptions: { parser: ts.parser, projectService: true, extraFileExtensions: ['.vue'] },
    },
    rules: {
      // Numbers in texts and addresses read as they are meant.
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // An index that is known to be there: the types say “or undefined” of every index (noUncheckedIndexedAccess).
      '@typescript-eslint/no-non-null-assertion': 'off',
      // A short arrow function that hands a call on reads better than one in braces.
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidReturningFunctions: true },
      ],
      // The rule's types do not know that a call changes a variable, and the browser's types promise what not every browser has.
      '@typescript-eslint/no-unnecessary-condition': 'off',
      // ESLint sees no types of .vue files, and takes whatever comes from one for any; vue-tsc, run beside it, does see them.
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      // The documents are plain data: an optional field that is empty is left out.
      '@typescript-eslint/no-dynamic-delete': 'off',
    },
  },
  { files: ['**/*.vue'], languageOptions: { parser: vueParser } },
  {
    rules: {
      'vue/no-undef-components': ['error', { ignorePatterns: ['^a-', '^Router'] }],
      'vue/multi-word-component-names': 'off',
      // What is larger cannot be read at one sitting; the core has the same bounds (core/sizes_test.go).
      'max-lines': ['error', 400],
      complexity: ['error', 25],
      // TypeScript checks names that are not defined.
      'no-undef': 'off',
    },
  },
  prettier,
);
