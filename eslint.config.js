import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      'build/',
      '.react-router/',
      'demo/.made/',
      'demo/site/',
      'tests/.out/',
      'node_modules/',
      '.dependency-cruiser.cjs',
      'core/photo/simd/assembly/',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
      'no-undef': 'off',
    },
  },
  { files: ['viewers/**/*.js', 'kits/**/*.js', 'preview/**/*.js'], languageOptions: { sourceType: 'script' } },
);
