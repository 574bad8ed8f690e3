/** Dependencies point one way: core <- codecs <- storage <- workers, audio <- features <- routes. */
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
    above('storage-below-features', '^app/storage/', '^app/(features|routes|ui|audio|workers)/'),
    above('audio-below-features', '^app/audio/', '^app/(features|routes|ui|storage)/'),
    above('devices-stand-alone', '^app/devices/', '^app/(?!devices/)'),
    above('workers-below-features', '^app/workers/', '^app/(features|routes|ui|audio)/'),
    above(
      'ui-knows-no-drums',
      '^app/ui/',
      '^app/(core|codecs|storage|audio|workers|features|routes)/',
    ),
    above('features-below-routes', '^app/features/', '^app/routes/'),
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
