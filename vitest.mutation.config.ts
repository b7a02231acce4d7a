import { defineConfig, mergeConfig } from 'vitest/config';
import config from './vitest.config.ts';

// Tests of the core alone notice what is changed in it; those that read the built site or the demo are left out.
export default mergeConfig(
  { ...config, test: { ...config.test, include: [] } },
  defineConfig({
    test: {
      include: ['core/**/*.test.ts', 'tests/unit/**/*.test.ts'],
      exclude: ['**/node_modules/**', 'tests/unit/demo*.test.ts', 'tests/unit/corpus.test.ts', 'core/photo/simd/**'],
    },
  }),
);
