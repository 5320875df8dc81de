import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Which folder may import which: core nothing but itself, web and server core alone. */
const layer = (name, ...closed) => ({
  files: [`${name}/**/*.{ts,tsx}`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: closed.map((folder) => ({
          group: [`**/${folder}/**`],
          message: `${name} does not import ${folder}.`,
        })),
      },
    ],
  },
});

export default tseslint.config(
  { ignores: ['dist', 'data', 'node_modules', 'coverage', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  tseslint.configs.strict,
  { files: ['web/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    rules: {
      eqeqeq: 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      'no-console': 'error',
      'no-empty': ['error', { allowEmptyCatch: false }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-extraneous-class': 'off',
    },
  },
  {
    // Rules that have to know types: a promise that nobody waits for, or that is passed where nobody looks at it.
    files: ['{core,contract,server,web,bench,e2e,demo}/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/use-unknown-in-catch-callback-variable': 'error',
      '@typescript-eslint/only-throw-error': 'error',
    },
  },
  {
    files: ['scripts/**', 'bench/**', 'server/main.ts', 'e2e/**', 'demo/draw/**'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        Buffer: 'readonly',
        setTimeout: 'readonly',
        URL: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
      },
    },
    rules: { 'no-console': 'off' },
  },
  layer('core', 'server', 'web', 'demo', 'e2e', 'bench'),
  layer('web', 'server', 'demo', 'e2e', 'bench'),
  layer('server', 'web', 'e2e', 'bench'),
);
