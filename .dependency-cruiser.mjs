import { existsSync, readdirSync } from 'node:fs';

/**
 * The floors of core, server and client: each folder imports from floors below it and from itself, never upward, types included.
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

/**
 * Of the server: what everything stands on; who works here; what a job is made of, and the job as it is stored; what is
 * said of it; what is done with one job; what reaches across jobs; what goes out; the clusters that one machine never meets.
 */
const SERVER_FLOORS = [
  ['platform'],
  ['audit-log', 'paper'],
  ['shops'],
  ['people'],
  ['evidence', 'waiting', 'captures', 'cautions', 'signing'],
  ['criteria'],
  ['outcomes'],
  ['vehicles'],
  ['job-store'],
  ['webhooks'],
  ['judgements'],
  ['jobs'],
  ['fleet', 'instruments', 'maker-figures', 'practice', 'rounds', 'settings'],
  ['open-interface', 'reports', 'shop-archive', 'operations'],
  ['clusters'],
  ['demo'],
];

/** Of the client: device and kit, how the server is asked, what is entered here, what is shared, the job, the screens, the frame. */
const CLIENT_FLOORS = [
  ['device'],
  ['kit'],
  ['api'],
  ['outbox'],
  ['state'],
  ['job'],
  ['instruments', 'label'],
  ['captures', 'circuit', 'criteria', 'session', 'vehicles', 'waiting'],
  ['guide', 'maker-figures', 'outcomes', 'practice', 'rounds'],
  ['screens'],
  ['shell'],
];
/** Each screen stands for itself. */
const SCREENS = [foldersOf('client/src/app/screens')];

/** The judge's pipeline, first stage first. */
const JUDGE_STAGES = ['context', 'void', 'grade', 'derive', 'weigh', 'rank', 'prove', 'propose', 'decide', 'next'];

/** Files of the server's own root: they put the floors together. */
const APPLICATION = [
  'app',
  'audit',
  'config',
  'main',
  'move',
  'move-shop',
  'prepare',
  'reset-password',
  'stand-ins',
  'register-operations',
  'serve',
  'serve-together',
  'worker',
];

function foldersOf(root) {
  if (!existsSync(root)) return [];
  const entries = readdirSync(root, { withFileTypes: true });
  return entries.filter((entry) => entry.isDirectory()).map(({ name }) => name);
}

/** @throws Error that names a folder which stands on no floor. */
function allListed(root, rows) {
  const missing = foldersOf(root).filter((name) => !rows.flat().includes(name));
  if (missing.length > 0)
    throw new Error(`${root}: ${missing.join(', ')} stand on no floor of .dependency-cruiser.mjs`);
}

/** One rule for each row: it may not import from a row above it, nor from a neighbor in the row. */
const noUpward = (root, rows, above = []) =>
  rows.flatMap((row, level) =>
    row.map((folder) => {
      const forbidden = [...rows.slice(level + 1).flat(), ...row.filter((other) => other !== folder)];
      return {
        name: `${root.split('/').at(-1)}-${folder}-imports-nothing-above-it`,
        severity: 'error',
        from: { path: `^${root}/${folder}/` },
        to: { path: `^${root}/(${[...forbidden, ...above].join('|')})(/|\\.ts$)` },
      };
    }),
  );

allListed('core/src', CORE_FLOORS);
allListed('server/src', SERVER_FLOORS);
allListed('client/src/app', CLIENT_FLOORS);

export default {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: { path: '^(core|contracts|server|client)/src/' },
      to: { circular: true },
    },
    ...noUpward('core/src', CORE_FLOORS, ['index', 'light']),
    ...noUpward('server/src', SERVER_FLOORS, APPLICATION),
    ...noUpward('client/src/app', CLIENT_FLOORS, ['app.config', 'app.routes']),
    ...noUpward('client/src/app/screens', SCREENS),
    ...noUpward(
      'core/src/judge',
      JUDGE_STAGES.map((stage) => [stage]),
      ['index'],
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
