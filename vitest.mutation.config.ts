import { defineConfig, mergeConfig } from 'vitest/config';
import config from './vitest.config.ts';

// `npm run test:mutation` says which tests judge the files that it changes.
export default mergeConfig(
  { ...config, test: { ...config.test, include: [] } },
  defineConfig({ test: { include: process.env.JUDGES?.split(',') ?? ['core/**/*.test.ts'] } }),
);
