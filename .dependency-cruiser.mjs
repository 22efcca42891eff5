/** What ESLint cannot see file by file: circles of imports, those of types alone among them. */
export default {
  forbidden: [
    {
      name: 'no-circles',
      comment: 'Two files that need each other are one, or a third is missing that both need.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.spec\\.ts$|/dist/|/testing/' },
  },
};
