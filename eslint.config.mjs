import js from '@eslint/js';
import expo from 'eslint-config-expo/flat.js';
import tseslint from 'typescript-eslint';

export default [
  {
    ignores: ['**/node_modules/**', '.build/**', '.data/**', '.burrow-data/**', '**/.expo/**', '**/dist/**', 'docs/**', 'bench/empty-page/**', 'apps/angler/src/ui/icon/paths.ts'],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended.map((c) => ({ ...c, files: ['**/*.ts', '**/*.tsx'] })),
  ...expo.map((c) => ({ ...c, files: ['apps/angler/**/*.{ts,tsx}'] })),
  {
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: { parserOptions: { projectService: { allowDefaultProject: [] }, tsconfigRootDir: import.meta.dirname } },
    rules: {
      'no-redeclare': 'off',
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false, arguments: false } }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'import/no-unresolved': 'off',
      'import/namespace': 'off',
      'import/no-named-as-default-member': 'off',
      'max-lines': ['error', { max: 300, skipBlankLines: true }],
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs', '**/*.js'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        fetch: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        clearTimeout: 'readonly',
        performance: 'readonly',
        globalThis: 'readonly',
        module: 'readonly',
        require: 'readonly',
        __dirname: 'readonly',
        Buffer: 'readonly',
        document: 'readonly',
        localStorage: 'readonly',
        navigator: 'readonly',
        window: 'readonly',
        requestAnimationFrame: 'readonly',
      },
    },
  },
  // A test file of one program's commands may be longer than a file of the product.
  { files: ['**/test/**'], rules: { 'max-lines': ['error', { max: 320, skipBlankLines: true }] } },
];
