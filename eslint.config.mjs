import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

// Promises that nobody waits for are found by oxlint (.oxlintrc.json), which reads types in a tenth of the time.
export default tseslint.config(
  { ignores: ['.next', 'build', 'node_modules', 'data/**', 'next-env.d.ts', 'test-results'] },
  ...tseslint.configs.recommended,
  { ...reactHooks.configs.flat['recommended-latest'], files: ['src/{screens,ui}/**/*.{ts,tsx}', 'app/**/*.{ts,tsx}'] },
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
  { files: ['src/cli/**', 'bin/**', 'tools/**'], rules: { 'no-console': 'off' } },
)
