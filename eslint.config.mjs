import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import { defineConfig, globalIgnores } from 'eslint/config';
import ts from 'typescript-eslint';

export default defineConfig(
  globalIgnores(['.next', 'node_modules', 'drizzle', 'data', '.tmp', 'coverage', 'next-env.d.ts', 'test-results']),
  js.configs.recommended,
  ts.configs.strict,
  {
    files: ['src/{app,features,ui}/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: hooks.configs.recommended.rules,
  },
  {
    rules: {
      eqeqeq: 'error',
      'no-restricted-syntax': [
        'error',
        {
          selector: 'MemberExpression[object.name="z"][property.name="iso"]',
          message: 'Use day, moment or clockMoment.',
        },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'Date', 'fetch', 'localStorage', 'process'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
    },
  },
  {
    files: ['**/*.{mjs,cjs}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        URLSearchParams: 'readonly',
        fetch: 'readonly',
        module: 'readonly',
        setTimeout: 'readonly',
        document: 'readonly',
        window: 'readonly',
        PerformanceObserver: 'readonly',
        MessageChannel: 'readonly',
        MutationObserver: 'readonly',
        MouseEvent: 'readonly',
        WheelEvent: 'readonly',
        requestAnimationFrame: 'readonly',
        performance: 'readonly',
        Buffer: 'readonly',
      },
    },
  },
);
