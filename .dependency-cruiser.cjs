/** Imports run one way: core <- contracts <- server / features <- routes. See docs/architecture.md. */
const only = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^src/', pathNot: allowed },
})

/** Parts of the interface that more than one feature shows. */
const SHARED = [
  '^src/app/live/',
  '^src/app/prompts/',
  '^src/app/live-client/',
  '^src/app/board-view/',
  '^src/app/lanes/',
  '^src/app/group-sizes/',
  '^src/app/removals/',
]

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    only('core-imports-only-core', '^src/core/', ['^src/core/']),
    {
      name: 'core-packages',
      severity: 'error',
      comment: 'The computation stays free of the interface, the database and the clock.',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: 'node_modules',
        pathNot:
          'node_modules/(@types/)?(pure-rand|yjs|papaparse|iconv-lite|date-fns|@date-fns|lodash-es|zod|fractional-indexing|qrcode|mdast|mdast-util-to-markdown|mdast-util-from-markdown|mdast-util-to-string|mdast-util-gfm-table|webvtt-parser)',
      },
    },
    only('contracts-import-core', '^src/contracts/', ['^src/contracts/', '^src/core/']),
    only('server-imports', '^src/server/', ['^src/server/', '^src/core/', '^src/contracts/']),
    only('demo-imports', '^src/demo/', ['^src/demo/', '^src/core/', '^src/contracts/', '^src/server/']),
    only('ui-imports-packages', '^src/app/ui/', ['^src/app/ui/']),
    only('features-imports', '^src/app/features/', [
      '^src/app/features/',
      '^src/core/',
      '^src/contracts/',
      '^src/app/ui/',
      '^src/app/workers/',
      ...SHARED,
    ]),
    only(
      'shared-parts-imports',
      '^src/app/(live|prompts|live-client|board-view|lanes|removals|group-sizes)/',
      ['^src/core/', '^src/contracts/', '^src/app/ui/', ...SHARED],
    ),
    {
      name: 'no-sibling-features',
      severity: 'error',
      from: { path: '^src/app/features/([^/]+)/' },
      to: { path: '^src/app/features/([^/]+)/', pathNot: '^src/app/features/$1/' },
    },
    only('workers-import-core', '^src/app/workers/', ['^src/app/workers/', '^src/core/', '^src/contracts/']),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
}
