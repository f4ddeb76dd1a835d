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
      'no-restricted-imports': ['error', { patterns: ['node:*', 'express', 'pg', '**/server/**'] }],
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
