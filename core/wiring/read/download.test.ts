import { describe, expect, it } from 'vitest';
import { neededOf } from './download.ts';

describe('of a download', () => {
  it('one of two that are the same is taken: what the manual names, what is ready, what is small', () => {
    const paths = ['x/dist/a.js', 'x/dist/a.min.js', 'x/src/a.js', 'x/dist/a.css', 'x/README.md'];
    expect(neededOf(paths).take).toEqual(['x/dist/a.min.js', 'x/dist/a.css', 'x/README.md']);
    expect(neededOf(paths, ['<script src="dist/a.js"></script>']).take).toContain('x/dist/a.js');
    expect(neededOf(paths).left).toEqual([
      { path: 'x/src/a.js', why: 'for its makers only' },
      { path: 'x/dist/a.js', why: 'the same as x/dist/a.min.js' },
    ]);
  });

  it('of builds for several ends the one that works everywhere is taken, unless the manual names another', () => {
    const paths = ['d/kite.esm.js', 'd/kite.umd.min.js', 'd/kite.cjs', 'd/kite.mjs', 'd/kite-box.esm.js'];
    expect(neededOf(paths).take).toEqual(['d/kite.umd.min.js', 'd/kite-box.esm.js']);
    expect(neededOf(paths, ["import kite from './kite.esm.js'"]).take).toEqual(['d/kite.esm.js', 'd/kite-box.esm.js']);
    expect(neededOf(['d/kite.esm.js', 'd/kite.cjs']).take).toEqual(['d/kite.esm.js']);
  });

  it('styles of like names are not the same', () => {
    const paths = ['kite.js', 'grid.css', 'grid-module.css', 'grid.min.css', 'kite-es.css', 'kite.css'];
    expect(neededOf(paths).take).toEqual(['kite.js', 'grid-module.css', 'grid.min.css', 'kite-es.css', 'kite.css']);
  });

  it('what stands in a folder for makers alone is taken all the same', () => {
    expect(neededOf(['src/a.js', 'src/a.css']).take).toEqual(['src/a.js', 'src/a.css']);
    expect(neededOf(['a.js', 'gulpfile.js', 'test/t.js']).take).toEqual(['a.js']);
  });
});
