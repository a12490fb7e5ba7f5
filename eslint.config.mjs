import eslint from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** What core must not touch: it has no clock, no chance and no surroundings. */
const impure = ['Date', 'performance', 'process', 'window', 'document', 'console', 'setTimeout'];

/** An element of HTML to press, type into or line up in, without the kit's directive on it. */
const bareControl =
  'Element[name=/^(button|input|select|textarea|table|details|dialog|progress|meter)$/]' +
  ':not(:has(> TextAttribute[name=/^(yuPress|pButton|pInputText|pTextarea)$/]))';

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/.angular/**',
      'node_modules/**',
      'data/**',
      'docs/**',
      'web/public/elk/**',
      'web/public/micropython/**',
    ],
  },
  eslint.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
      ],
      'max-lines': ['error', { max: 400, skipBlankLines: true, skipComments: true }],
      'max-depth': ['error', 4],
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-globals': ['error', ...impure],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take a seeded Random.' },
      ],
    },
  },
  {
    files: ['web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: { '@typescript-eslint/no-extraneous-class': 'off' },
  },
  {
    files: ['web/src/**/*.html'],
    ignores: ['**/*.spec.ts/*'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: bareControl,
          message: 'Take the control of the kit: common/press, pInputText, p-table, …',
        },
      ],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    rules: { '@typescript-eslint/no-require-imports': 'off' },
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        performance: 'readonly',
        URL: 'readonly',
        module: 'writable',
        __dirname: 'readonly',
        fetch: 'readonly',
        setTimeout: 'readonly',
        require: 'readonly',
      },
    },
  },
);
