/** Which room may import which; arrows run one way. See ARCHITECTURE.md. */
const CORE = [
  ['geometry', 'units', 'random', 'schema'],
  ['colour'],
  ['lattice', 'recolour'],
  ['recipe', 'shelf'],
  ['motif', 'shelfFile'],
  ['document', 'svg'],
  ['arrange', 'shapes', 'scan'],
  ['bundle', 'layout', 'toss', 'colourway', 'draw', 'tile'],
  ['paint', 'export', 'drawn', 'vine'],
  ['check', 'combined', 'vector', 'print', 'separate', 'sheet'],
  ['tryon'],
  ['flat'],
];

const above = (level) => CORE.slice(level + 1).flat();

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '[.]test[.]ts$' },
      to: { path: '^(contract|server|web|demo|e2e|bench)/' },
    },
    {
      name: 'contract-on-core',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|demo|e2e|bench)/' },
    },
    {
      name: 'server-beside-web',
      severity: 'error',
      from: { path: '^server/', pathNot: '[.]test[.]ts$' },
      to: { path: '^(web|e2e|bench)/' },
    },
    {
      name: 'artwork-in-the-pool',
      severity: 'error',
      comment:
        'Reading artwork may take a second: processes of the pool do it, and the server itself never comes to it.',
      from: { path: '^server/(main|serve)[.]ts$' },
      to: { path: '^server/store/keptArtwork[.]ts$', reachable: true },
    },
    {
      name: 'web-beside-server',
      severity: 'error',
      from: { path: '^web/', pathNot: '[.]test[.]tsx?$' },
      to: { path: '^(server|demo|e2e|bench)/' },
    },
    {
      name: 'ui-knows-nothing',
      severity: 'error',
      from: { path: '^web/ui/' },
      to: { path: '^web/(editor|cloth|screens)/' },
    },
    {
      name: 'editor-and-cloth-know-no-screen',
      severity: 'error',
      from: { path: '^web/(editor|cloth)/', pathNot: '[.]test[.]tsx?$' },
      to: { path: '^web/screens/' },
    },
    {
      name: 'core-through-the-index',
      severity: 'error',
      comment: 'Another folder of core is imported through its table of contents.',
      from: { path: '^(core/([^/]+)|contract|server|web)/' },
      to: { path: '^core/([^/]+)/(?!index[.]ts$)', pathNot: ['^core/$2/', '^core/testing/'] },
    },
    ...CORE.flatMap((rooms, level) =>
      rooms.map((room) => ({
        name: `core-${room}-below`,
        severity: 'error',
        from: { path: `^core/${room}/`, pathNot: '[.]test[.]ts$' },
        to: { path: `^core/(${above(level).join('|') || 'none'})/` },
      })),
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '[.]test[.]tsx?$|^core/testing/' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'] },
  },
};
