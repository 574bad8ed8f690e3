/**
 * Dependencies point one way: core <- codecs <- storage <- workspace, words <- live, drawing, session <-
 * features <- routes. Features know each other by their index alone.
 */
const above = (name, from, to) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: to },
})

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    above('core-stands-alone', '^app/core/', '^(app/(?!core/)|node_modules/)'),
    above('codecs-know-only-core', '^app/codecs/', '^app/(?!core/|codecs/)'),
    above(
      'storage-below-features',
      '^app/storage/',
      '^app/(features|routes|ui|audio|workers|workspace|words|live|drawing|session)/',
    ),
    above('audio-below-features', '^app/audio/', '^app/(features|routes|ui|storage|live|drawing)/'),
    above('devices-stand-alone', '^app/devices/', '^app/(?!devices/)'),
    above(
      'workers-below-features',
      '^app/workers/',
      '^app/(features|routes|ui|audio|workspace|live|drawing|session)/',
    ),
    above(
      'ui-knows-no-drums',
      '^app/ui/',
      '^app/(core|codecs|storage|audio|workers|workspace|words|live|drawing|session|features|routes)/',
    ),
    above('words-know-only-core-and-codecs', '^app/words/', '^app/(?!core/|codecs/|words/)'),
    // Without a page: tested without a browser.
    above(
      'workspace-without-a-page',
      '^app/workspace/',
      '^(app/(?!core/|codecs/|storage/|words/|workspace/)|node_modules/(react|react-dom|react-router)/)',
    ),
    above('shared-below-features', '^app/(live|drawing|session)/', '^app/(features|routes)/'),
    above('features-below-routes', '^app/features/', '^app/routes/'),
    {
      name: 'features-through-their-index',
      severity: 'error',
      from: { path: '^app/features/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^app/features/[^/]+/.+', pathNot: '^app/features/($1/.+|[^/]+/index\\.ts$)' },
    },
    {
      name: 'concepts-through-their-index',
      severity: 'error',
      from: { path: '^app/(?!core/)', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^app/core/[^/]+/.+', pathNot: '^app/core/[^/]+/index\\.ts$' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
}
