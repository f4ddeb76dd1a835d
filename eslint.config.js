import angular from 'angular-eslint';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['node_modules/', 'dist/', '.angular/', '.data/', 'test-results/', 'playwright-report/', 'coverage/'] },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.recommended, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', caughtErrorsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-non-null-assertion': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  { files: ['tools/**/*.ts', 'server/src/prepare.ts', 'client/src/main.ts'], rules: { 'no-console': 'off' } },
  {
    files: ['core/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: ['node:*', '@angular/*', '@ngrx/*', 'primeng/*', 'express', 'pg', '@tetrad/contracts'] },
      ],
      'no-restricted-globals': ['error', 'document', 'window', 'process', 'Buffer', 'fetch'],
    },
  },
  {
    files: ['client/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'tt', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      'no-restricted-imports': [
        'error',
        {
          patterns: ['node:*', 'express', 'pg', '**/server/**'],
          paths: [{ name: '@angular/forms', importNames: ['FormsModule', 'NgModel'], message: 'use a reactive form' }],
        },
      ],
    },
  },
  {
    // what the first screen loads: one value from an index brings all of it, types bring nothing
    files: ['client/src/app/{state,shell,waiting,outbox,captures}/**/*.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: ['@tetrad/core', '@tetrad/contracts'].map((name) => ({
            name,
            message: `take values from ${name}/light`,
            allowTypeImports: true,
          })),
        },
      ],
    },
  },
  {
    files: ['client/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: {
      '@angular-eslint/template/no-autofocus': 'off',
      '@angular-eslint/template/label-has-associated-control': 'off',
    },
  },
  prettier,
);
