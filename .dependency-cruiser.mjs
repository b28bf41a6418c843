/**
 * Where arrows may point. Packages: core <- job <- contract <- words <- papers, and what runs on top. Folders: never in a circle.
 * Type imports count: whoever reads a folder has to know what it names.
 */

/** What each package may import of the others. */
export const mayImport = {
  core: [],
  job: ['core'],
  words: ['core', 'job', 'contract'],
  papers: ['core', 'job', 'words'],
  contract: ['core', 'job'],
  solve: ['core', 'job', 'words'],
  server: ['core', 'job', 'words', 'papers', 'contract'],
  web: ['core', 'job', 'words', 'papers', 'contract'],
  tools: ['core', 'job', 'words', 'papers', 'contract', 'server'],
};

/** Packages that both the browser and the server run: nothing of either may get in. */
const shared = ['core', 'job', 'words', 'papers', 'contract'];

const packages = Object.keys(mayImport);

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'no-folder-circle',
      comment: 'Two folders that need each other are one folder, or miss a third.',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
    {
      name: 'no-file-circle',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    ...packages.map((name) => ({
      name: `${name}-points-inward`,
      comment: `${name} may import ${mayImport[name].join(', ') || 'no other package'}.`,
      severity: 'error',
      from: { path: `^${name}/src/` },
      to: {
        path: `^(${packages.join('|')})/`,
        pathNot: `^(${[name, ...mayImport[name]].join('|')})/`,
      },
    })),
    {
      name: 'through-the-entry',
      comment: 'A package is imported through its entry, never past it.',
      severity: 'error',
      from: { path: '^([^/]+)/src/' },
      to: {
        path: `^(${packages.join('|')})/src/`,
        pathNot: ['^$1/src/', '^[^/]+/src/index\\.ts$', '^server/src/seed/index\\.ts$'],
      },
    },
    {
      name: 'shared-runs-anywhere',
      comment: 'Both sides run this: no Node, no page, no server.',
      severity: 'error',
      from: { path: `^(${shared.join('|')})/src/` },
      to: {
        path: '^(node:|node_modules/(react|react-dom|@mantine|express|sequelize|pg)/)',
      },
    },
    {
      name: 'shared-has-no-node',
      severity: 'error',
      from: { path: `^(${shared.join('|')}|web)/src/` },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-needs-nothing',
      comment: 'The core computes and imports no package at all.',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^node_modules/(?!@katharos/)' },
    },
    {
      name: 'server-shows-nothing',
      severity: 'error',
      from: { path: '^(server|solve)/src/' },
      to: { path: '^node_modules/(react|react-dom|@mantine|@reduxjs)/' },
    },
    {
      name: 'web-keeps-nothing',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '^node_modules/(express|sequelize|pg)/' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['\\.test\\.tsx?$', '/src/test/', '\\.css$', 'dist/'] },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default', 'types'],
    },
  },
};
