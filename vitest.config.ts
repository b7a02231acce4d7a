import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

// A configuration of its own: the router's Vite plugin has no place in unit tests.
export default defineConfig({
  resolve: { alias: { '~core': at('./core'), '~protocol': at('./protocol'), '~': at('./app') } },
  test: {
    include: [
      'core/**/*.test.ts',
      'app/**/*.test.ts',
      'server/**/*.test.ts',
      'protocol/**/*.test.ts',
      'tests/unit/**/*.test.ts',
    ],
    // Nothing is proved by a machine that is quick; a test that hangs ends all the same.
    testTimeout: 180_000,
    // No test leaves anything behind in a module, and reading all modules anew for each file took as long as the tests.
    isolate: false,
    maxWorkers: 2,
  },
});
