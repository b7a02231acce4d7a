import { reactRouter } from '@react-router/dev/vite';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  plugins: [reactRouter()],
  resolve: {
    alias: {
      '~core': at('./core'),
      '~protocol': at('./protocol'),
      '~': at('./app'),
      // It compiles by `eval`, which the application's own policy forbids.
      ajv: at('./app/workers/noSchemas.ts'),
      // What is built for browsers asks a document, and workers have none.
      'decode-named-character-reference': at('./node_modules/decode-named-character-reference/index.js'),
    },
  },
  worker: { format: 'es' },
  // Without the entries the first page of a development server loads several times while Vite discovers dependencies.
  // A codec brings WebAssembly of its own, which Vite must not bundle beforehand.
  optimizeDeps: {
    exclude: ['@jsquash/avif'],
    entries: [
      'app/entry.client.tsx',
      'app/root.tsx',
      'app/routes/**/*.tsx',
      'app/workers/*.ts',
      'app/ui/**/*.tsx',
      'app/stations/**/*.tsx',
    ],
    include: ['@mui/material/styles', '@mui/material/CssBaseline', '@mui/material/InitColorSchemeScript'],
  },
  build: { target: 'es2022', assetsInlineLimit: 0 },
  ssr: { noExternal: [/^@mui\//] },
});
