/** Imports run one way: core ← cli, server, web; and within core in the direction data flows. */
const mayImport = {
  quantity: [],
  equations: [],
  element: ['equations'],
  condition: ['quantity'],
  design: ['quantity', 'condition'],
  catalog: ['quantity', 'condition', 'design', 'element'],
  circuit: ['quantity', 'design', 'equations', 'element', 'catalog'],
  scene: ['quantity', 'design', 'catalog'],
  logic: ['quantity', 'condition', 'design'],
  judge: ['quantity', 'design', 'logic'],
  threshold: ['quantity', 'design', 'logic'],
  rehearsal: ['quantity', 'condition', 'design', 'catalog', 'circuit', 'scene', 'logic', 'wiring'],
  trials: ['quantity', 'design', 'catalog', 'circuit', 'scene', 'logic', 'judge', 'rehearsal'],
  lifetime: ['quantity', 'design', 'catalog', 'scene', 'rehearsal'],
  bench: ['quantity', 'design', 'catalog', 'circuit', 'scene', 'logic', 'rehearsal'],
  wiring: ['quantity', 'design', 'element', 'catalog', 'circuit'],
  blocks: ['quantity', 'design', 'catalog', 'circuit', 'wiring'],
  slip: ['quantity', 'design', 'catalog', 'scene', 'wiring'],
  help: [],
  starts: ['quantity', 'design', 'catalog', 'scene', 'rehearsal', 'wiring', 'blocks'],
  picture: ['quantity', 'design', 'catalog', 'circuit', 'rehearsal', 'wiring'],
  check: [
    'quantity',
    'condition',
    'design',
    'element',
    'catalog',
    'circuit',
    'scene',
    'logic',
    'judge',
    'threshold',
    'rehearsal',
    'lifetime',
    'wiring',
    'blocks',
  ],
  diagnosis: [
    'quantity',
    'design',
    'catalog',
    'circuit',
    'scene',
    'logic',
    'rehearsal',
    'wiring',
    'blocks',
    'slip',
    'check',
  ],
  exchange: [
    'quantity',
    'condition',
    'design',
    'catalog',
    'circuit',
    'scene',
    'logic',
    'judge',
    'rehearsal',
    'trials',
    'wiring',
    'check',
  ],
};

const coreOrder = Object.entries(mayImport).map(([folder, allowed]) => ({
  name: `core-${folder}`,
  comment: `core/${folder} may import ${allowed.join(', ') || 'nothing else of core'}.`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: '^core/src/', pathNot: `^core/src/(${[folder, ...allowed].join('|')})/` },
}));

/** What each folder of the web app may import besides itself; the frame around them may import all. */
const steps = ['common', 'theme', 'bench', 'data', 'picture'];
const webMayImport = {
  theme: [],
  settings: ['common', 'theme'],
  bench: [],
  common: ['theme'],
  data: ['bench'],
  picture: ['bench', 'common', 'data'],
  parts: steps,
  shelf: [...steps, 'settings'],
  wire: steps,
  set: steps,
  act: steps,
  rehearse: steps,
};

const webOrder = Object.entries(webMayImport).map(([folder, allowed]) => ({
  name: `web-${folder}`,
  comment: `web/${folder} may import ${allowed.join(', ') || 'nothing else of the web app'}.`,
  severity: 'error',
  from: { path: `^web/src/app/${folder}/`, pathNot: '\\.spec\\.ts$' },
  to: {
    path: '^web/src/app/',
    pathNot: `^web/src/app/(${[folder, ...allowed].join('|')})/`,
  },
}));

module.exports = {
  forbidden: [
    ...coreOrder,
    {
      name: 'core-is-pure',
      comment: 'core imports nothing but itself and small libraries.',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '(\\.spec\\.ts$|/testing/)' },
      to: { pathNot: '^(core/src/|node_modules/(elkjs|joi|papaparse|jsep|fast-xml-parser)/)' },
    },
    {
      name: 'public-face',
      comment: 'Nothing reaches past a core folder’s index.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-by-its-name',
      comment: 'Everything else reaches core as @yurei/core/…, never by its folders.',
      severity: 'error',
      from: { path: '^(cli|server|web|e2e|tools)/' },
      // By its name it is found as the types of a folder's index.
      to: { path: '^core/', pathNot: '^core/dist/[^/]+/index\\.d\\.ts$' },
    },
    {
      name: 'nothing-upward',
      comment:
        'cli, server and web know core, not each other; only what keeps the shelf in order is for both server and cli.',
      severity: 'error',
      from: { path: '^(cli|server|web|e2e)/src/' },
      to: {
        path: '^(cli|server|web|e2e|tools)/',
        pathNot: ['^$1/', '^server/(src|dist)/upkeep/index'],
      },
    },
    ...webOrder,
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    doNotFollow: { path: '(node_modules|/dist/)' },
    exclude: { path: '\\.angular' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
    },
  },
};
