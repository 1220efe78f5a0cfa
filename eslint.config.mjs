import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['.next', 'build', 'node_modules', 'data/**', 'next-env.d.ts', 'test-results'] },
  ...tseslint.configs.recommended,
  reactHooks.configs.flat['recommended-latest'],
  {
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      // Long lists: the compiler leaves components that use TanStack Virtual alone, which is right.
      'react-hooks/incompatible-library': 'off',
      'no-console': 'error',
    },
  },
  {
    // Promises that nobody waits for, with the types of the whole project.
    files: ['src/**/*.{ts,tsx}', 'app/**/*.{ts,tsx}', 'e2e/**/*.ts', 'tools/**/*.ts', '*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      // Event handlers of React may be async functions: these report their own errors.
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    },
  },
  { files: ['src/cli/**', 'bin/**', 'tools/**'], rules: { 'no-console': 'off' } },
)
