import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import { defineConfig } from 'eslint/config';
import ts from 'typescript-eslint';

export default defineConfig(
  { ignores: ['dist', 'src/api/schema.generated.ts'] },
  {
    files: ['src/**/*.{ts,tsx}'],
    extends: [js.configs.recommended, ts.configs.strictTypeChecked],
    plugins: { 'react-hooks': hooks },
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      // Looks at every name of every library: a third of the whole time.
      '@typescript-eslint/no-deprecated': 'off',
      // A handler of one line, `() => set(x)`, is how they are written here.
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      // With `noUncheckedIndexedAccess` on, a `!` says that an index was looked at just before.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
    },
  },
);
