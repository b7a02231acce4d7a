import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const TYPED = ['**/*.ts', '**/*.tsx'];
const TESTS = ['**/*.test.ts', '**/*.fixture.ts', 'tests/**'];

export default tseslint.config(
  {
    ignores: [
      'build/',
      '.react-router/',
      'demo/.made/',
      'demo/site/',
      'tests/site/files/',
      'tests/.out/',
      'node_modules/',
      '.dependency-cruiser.cjs',
      'core/photo/simd/assembly/',
      '**/*.min.js',
    ],
  },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  ...tseslint.configs.recommendedTypeCheckedOnly.map((config) => ({ ...config, files: TYPED })),
  { files: TYPED, languageOptions: { parserOptions: { projectService: true } } },
  {
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
      'no-nested-ternary': 'error',
      'no-undef': 'off',
    },
  },
  {
    files: ['core', 'app', 'preview', 'protocol', 'server'].map((folder) => `${folder}/**/*.{ts,tsx}`),
    ignores: TESTS,
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      complexity: ['error', 15],
      'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['app/**/*.tsx'],
    rules: {
      // A component holds its markup too.
      'max-lines-per-function': ['error', { max: 120, skipBlankLines: true, skipComments: true }],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'JSXAttribute[name.name="sx"] > JSXExpressionContainer > ObjectExpression[properties.length>3]',
          message: 'A style of more than three properties gets a name beside its component.',
        },
      ],
    },
  },
  // Matchers such as `expect.any` have no types of their own; what they are given is compared, not used.
  { files: TESTS, rules: { '@typescript-eslint/no-unsafe-assignment': 'off' } },
  { files: ['viewers/**/*.js', 'kits/**/*.js', 'preview/**/*.js'], languageOptions: { sourceType: 'script' } },
);
