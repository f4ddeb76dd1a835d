/**
 * The floors of the core: each folder imports from floors below it and from itself, never upward, types included.
 * Within the judge the folders stand in the order of the pipeline. `npm run lint` runs it.
 */

/** Lowest first; folders on one floor do not import from each other. */
const CORE_FLOORS = [
  ['quantities'],
  ['battery'],
  ['vehicle'],
  ['format'],
  ['circuit'],
  ['criteria'],
  ['evidence'],
  ['trade'],
  ['judge'],
  ['words'],
  ['profile', 'capture', 'simulation', 'instruments'],
  ['report', 'practice', 'trends', 'desk', 'outcomes', 'guide'],
];

/** The judge's pipeline, first stage first. */
const JUDGE_STAGES = ['context', 'void', 'grade', 'derive', 'weigh', 'rank', 'prove', 'propose', 'decide', 'next'];

/** One rule for each row: it may not import from a row above it, nor from a neighbor in the row. */
const noUpward = (root, rows) =>
  rows.flatMap((row, level) =>
    row.map((folder) => {
      const forbidden = [...rows.slice(level + 1).flat(), ...row.filter((other) => other !== folder)];
      return {
        name: `${root.split('/').at(-1)}-${folder}-imports-nothing-above-it`,
        severity: 'error',
        from: { path: `^${root}/${folder}/` },
        to: { path: `^${root}/(${[...forbidden, 'index', 'light'].join('|')})(/|\\.ts$)` },
      };
    }),
  );

export default {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: { path: '^(core|contracts|server|client)/src/' },
      to: { circular: true },
    },
    ...noUpward('core/src', CORE_FLOORS),
    ...noUpward(
      'core/src/judge',
      JUDGE_STAGES.map((stage) => [stage]),
    ),
    {
      name: 'judge-does-not-know-the-simulation',
      severity: 'error',
      from: { path: '^core/src/(judge|words|report|profile)/' },
      to: { path: '^core/src/simulation/', reachable: true },
    },
    {
      name: 'core-knows-nobody',
      severity: 'error',
      from: { path: '^core/src/' },
      to: { path: '^(client|server|contracts|tools|e2e)/' },
    },
    {
      name: 'contracts-know-the-core-only',
      severity: 'error',
      from: { path: '^contracts/src/' },
      to: { path: '^(client|server|tools|e2e)/' },
    },
    { name: 'server-and-client-apart', severity: 'error', from: { path: '^server/src/' }, to: { path: '^client/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
