/**
 * `npm run wasm`: compiles the SIMD resampler. Its outcome is kept in the repository; a unit test compiles it again
 * and compares.
 */
import { join } from 'node:path';
import { npx, ROOT } from './ready.mjs';

const [out = 'core/photo/simd/lanczos.wasm'] = process.argv.slice(2);
process.exit(
  npx(
    'asc',
    join(ROOT, 'core/photo/simd/assembly/lanczos.ts'),
    '--outFile',
    out,
    '--optimizeLevel',
    '3',
    '--runtime',
    'stub',
    '--enable',
    'simd',
    '--importMemory',
    '--noAssert',
  ),
);
