/** Imports point one way; a subject is entered by its index only. */
const SUBJECT = '(core|words|contract|server|shell)/([^/]+)/';

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } } },
    { name: 'core-is-alone', severity: 'error', from: { path: '^core/', pathNot: '(\\.test\\.ts$|/test/)' }, to: { pathNot: '^core/' } },
    { name: 'words-on-core', severity: 'error', from: { path: '^words/' }, to: { path: '^(contract|server|web|shell)/' } },
    { name: 'contract-on-core', severity: 'error', from: { path: '^contract/', pathNot: '\\.test\\.ts$' }, to: { path: '^(words|server|web|shell)/' } },
    { name: 'server-not-on-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|shell)/' } },
    { name: 'web-not-on-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|shell)/' } },
    { name: 'shell-not-on-server', severity: 'error', from: { path: '^shell/' }, to: { path: '^(server|web)/' } },
    { name: 'by-the-index', severity: 'error', from: { path: `^${SUBJECT}` }, to: { path: `^${SUBJECT}`, pathNot: ['/index\\.ts$', '^$1/$2/', '/test/'] } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'node_modules|dist' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'], extensions: ['.ts', '.vue', '.js', '.mjs'] },
  },
};
