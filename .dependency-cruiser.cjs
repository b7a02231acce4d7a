/** The architecture's arrows: what may import what. See docs/architecture.md. */
module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core' },
      to: { path: '^(app|protocol|server|preview|viewers|demo|tests)/' },
    },
    {
      name: 'core-has-no-platform',
      severity: 'error',
      from: { path: '^core', pathNot: '\\.test\\.ts$' },
      to: { path: '(react|@mui|@emotion|idb|comlink|express|node_modules/@types/node)', pathNot: '^core' },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'shipped-parts-import-nothing',
      severity: 'error',
      from: { path: '^(viewers|kits)/([^/]+)/' },
      to: { path: '.', pathNot: '^$1/$2/' },
    },
    {
      name: 'preview-imports-only-what-it-says-and-serves',
      severity: 'error',
      from: { path: '^preview/' },
      to: { path: '.', pathNot: '^(preview|protocol)/|^core/site/media\\.ts$|^node_modules/axe-core/' },
    },
    {
      name: 'protocol-stands-on-core',
      severity: 'error',
      from: { path: '^protocol/', pathNot: '\\.test\\.ts$' },
      to: { path: '.', pathNot: '^(protocol|core)/|node_modules/zod/' },
    },
    {
      name: 'shared-interface-knows-no-station',
      severity: 'error',
      from: { path: '^app/ui/' },
      to: { path: '^app/(stations|routes)/' },
    },
    {
      name: 'parts-know-no-shell-and-no-preview',
      severity: 'error',
      from: { path: '^app/ui/parts/' },
      to: { path: '^app/ui/(shell|preview)/' },
    },
    { name: 'app-has-no-server', severity: 'error', from: { path: '^app' }, to: { path: '^(server|demo|tests)/' } },
    {
      name: 'core-folders-through-their-face',
      severity: 'error',
      from: { path: '^(app|server|demo)/' },
      to: { path: '^core/[^/]+/(?!index\\.ts$)', pathNot: '\\.wasm$' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { pathNot: '^app/routes' },
      to: { couldNotResolve: true, pathNot: '^(\\./\\+types|virtual:|vite/client$)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    exclude: { path: '(\\.react-router|\\+types)' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
