/**
 * Arrows go down only. What a folder may know of ours, besides itself, and which packages it may use: what stands in
 * no list is refused, a new folder too. `npm run layers` reads the pages' own scripts as well, see scripts/layers.ts.
 */
const houses = {
  // The reckoning: pure.
  'src/core/': { knows: [], uses: ['yup', '@date-fns/tz', 'minisearch', 'stemmer', 'dinero.js'] },
  // The shapes that pages hand to islands.
  'src/views/': { knows: ['src/core/'], uses: [] },
  // Tokens and primitives that more than one view uses.
  'src/ui/': { knows: ['src/core/'], uses: ['react', 'radix-ui'] },
  // What a browser keeps, read through schemas.
  'src/device/': { knows: ['src/core/', 'src/views/'], uses: ['idb', 'yup'] },
  // What stands between a page and the network: it answers from what the device has packed.
  'src/service-worker/': {
    knows: ['src/core/', 'src/views/', 'src/device/'],
    uses: ['workbox-precaching', 'workbox-routing'],
  },
  'src/islands/': {
    knows: ['src/core/', 'src/views/', 'src/ui/', 'src/device/'],
    uses: ['react', 'react-dom', 'react-error-boundary', 'radix-ui', 'cmdk', 'papaparse', '@e965/xlsx', 'react-hook-form', 'recharts', 'uuid', 'yup', 'signature_pad',
      'jsqr', '@simplewebauthn/browser'],
  },
  // The only folder with SQL in it.
  'src/records/': { knows: ['src/core/'], uses: ['knex', 'pg', 'pg-boss'] },
  'src/services/': {
    knows: ['src/core/', 'src/views/', 'src/records/'],
    uses: [
      'yup',
      'uuid',
      'papaparse',
      'iconv-lite',
      'pdfmake',
      '@types/pdfmake',
      'fontkit',
      '@types/fontkit',
      'rate-limiter-flexible',
      '@node-rs/argon2',
      '@simplewebauthn/server',
      '@zxcvbn-ts/language-common',
      'otpauth',
      'qrcode',
      '@e-invoice-eu/core',
      'nodemailer',
      '@types/nodemailer',
      'mailparser',
      'ical-generator',
      'timezones-ical-library',
      'yazl',
      '@types/yazl',
      'yauzl',
      'lru-cache',
      '@types/yauzl',
      '@types/qrcode',
    ],
    node: true,
  },
  'src/demo/': { knows: ['src/core/', 'src/services/'], uses: [] },
  // The process: sockets, logs, the worker that reckons.
  'src/server/': {
    knows: ['src/core/', 'src/views/', 'src/records/', 'src/services/'],
    uses: ['astro', 'express', 'compression', 'pino', 'sharp', 'smtp-server'],
    node: true,
  },
  'src/middleware.ts': { knows: ['src/core/', 'src/ui/', 'src/services/', 'src/server/'], uses: [], node: true },
  // The frame of a page, and how its islands are drawn on the server.
  'src/layouts/': {
    knows: ['src/core/', 'src/ui/', 'src/islands/', 'src/services/', 'src/views/'],
    uses: ['@fontsource', 'react', 'react-dom', 'lru-cache', 'uuid'],
    node: true,
  },
  'src/pages/': {
    knows: ['src/core/', 'src/views/', 'src/ui/', 'src/islands/', 'src/layouts/', 'src/services/', 'src/server/'],
    uses: ['astro', 'uuid', 'yup', '@simplewebauthn/server'],
  },
  'bin/': { knows: ['src/core/'], uses: [], node: true },
}

const ours = '^(src|scripts|bin|bench|test)/'
const escaped = (text) => text.replace(/[.]/g, '\\.')
const oneOf = (paths) => `^(${paths.map(escaped).join('|')})`

const rulesOf = ([house, { knows, uses, node = false }]) => [
  {
    name: `${house} knows only ${knows.join(', ') || 'itself'}`,
    severity: 'error',
    from: { path: oneOf([house]) },
    to: { path: ours, pathNot: oneOf([house, ...knows]) },
  },
  {
    name: `${house} uses only ${uses.join(', ') || 'no package'}`,
    severity: 'error',
    from: { path: oneOf([house]) },
    to: {
      dependencyTypesNot: ['core'],
      path: 'node_modules/',
      ...(uses.length > 0 && { pathNot: `node_modules/(${uses.join('|')})(/|$)` }),
    },
  },
  ...(node
    ? []
    : [
        {
          name: `${house} stays off the machine`,
          severity: 'error',
          comment: 'No node: module here.',
          from: { path: oneOf([house]) },
          to: { dependencyTypes: ['core'] },
        },
      ]),
]

module.exports = {
  forbidden: [
    ...Object.entries(houses).flatMap(rulesOf),
    {
      name: 'every folder of src has its list',
      severity: 'error',
      from: { path: '^src/', pathNot: oneOf([...Object.keys(houses), 'src/env.d.ts']) },
      to: {},
    },
    {
      name: 'the bench shares no figure with the book',
      severity: 'error',
      comment: 'What a machine does on the bench is not taken from what the book says of it: else it proves nothing.',
      from: { path: '^src/core/(trade/machines/.*/bench|trade/shared/bench/)' },
      to: { path: '^src/core/(trade/machines/.*/fault|trade/shared/faults/)' },
    },
    {
      name: 'the book shares no figure with the bench',
      severity: 'error',
      from: { path: '^src/core/(trade/machines/.*/fault|trade/shared/faults/)' },
      to: { path: '^src/core/(trade/machines/.*/bench|trade/shared/bench/|bench/)' },
    },
    { name: 'no circles', severity: 'error', from: {}, to: { circular: true } },
    { name: 'no strays', severity: 'error', from: {}, to: { couldNotResolve: true, pathNot: '^(astro:|\\.\\./dist)' } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
