/** What follows from the trade's files: the JSON Schema of the open formats, and the tables of the documentation. */
import {
  CONDITIONS,
  CRITERIA_FORMAT,
  ENGLISH,
  EXCUSES,
  FAULTS,
  FITTED_SPREADS,
  GLOSSARY,
  OBSERVATIONS,
  COST_REASONS,
  PARTS,
  SCHOOLS,
  STATED_SPREADS,
  SYMPTOMS,
  TESTS,
  THRESHOLDS,
  WEIGHTS,
  caseShape,
  criteriaShape,
  judgementSchema,
  noteOf,
  phraseTables,
  temperatureWords,
} from '@tetrad/core';
import { OPERATIONS, pathOf } from '@tetrad/contracts/operations';
import { captureSchema } from '@tetrad/core/capture';
import type { CriteriaSet, Limit } from '@tetrad/core';

const cell = (value: unknown): string => String(value ?? '').replaceAll('|', '\\|');
const table = (head: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  [
    `| ${head.join(' | ')} |`,
    `| ${head.map(() => '---').join(' | ')} |`,
    ...rows.map((row) => `| ${row.map(cell).join(' | ')} |`),
  ].join('\n');

/** The figures of a rule without its kind: `min 0.7, max 2`. */
const figures = ({ kind: _kind, ...own }: Limit['rule']): string =>
  Object.entries(own)
    .map(([name, value]) => `${name} ${Array.isArray(value) ? value.map((pair) => `[${pair}]`).join(' ') : value}`)
    .join(', ');

const when = ({ when: under = {} }: Limit): string => Object.values(under).flat().join(', ');

const tests = (): string =>
  table(
    ['test', 'name', 'unit', 'can show', 'conditions', 'group', 'minutes'],
    Object.entries(TESTS).map(([name, { name: words, unit, domain, conditions, places, step }]) => [
      `\`${name}\``,
      words,
      unit,
      domain ? `${domain[0]} to ${domain[1]}` : '',
      conditions.join(', '),
      places[0]?.group,
      step.minutes,
    ]),
  );

const conditions = (): string =>
  table(
    ['condition', 'name', 'kind'],
    Object.entries(CONDITIONS).map(([name, row]) => [
      `\`${name}\``,
      row.name,
      row.type === 'word' ? row.words.join(', ') : row.type,
    ]),
  );

const observations = (): string =>
  table(
    ['observation', 'asks', 'findings'],
    Object.entries(OBSERVATIONS).map(([name, { asks, findings }]) => [`\`${name}\``, asks, findings.join(', ')]),
  );

const symptoms = (): string =>
  table(
    ['symptom', 'name', 'faults that give it'],
    Object.entries(SYMPTOMS).map(([symptom, { name }]) => [
      `\`${symptom}\``,
      name,
      Object.values(FAULTS)
        .filter((fault) => symptom in fault.symptoms)
        .map((fault) => fault.name)
        .join(', '),
    ]),
  );

const faults = (): string =>
  table(
    ['fault', 'name', 'prior', 'excuse', 'steps that exclude it', 'how it could excuse'],
    Object.entries(FAULTS).flatMap(([fault, { name, prior, excuses }]) =>
      excuses.length === 0
        ? [[`\`${fault}\``, name, prior, '', '', '']]
        : excuses.map(({ excuse, how }, place) => [
            place === 0 ? `\`${fault}\`` : '',
            place === 0 ? name : '',
            place === 0 ? prior : '',
            EXCUSES[excuse].first,
            EXCUSES[excuse].steps.join(', '),
            how,
          ]),
    ),
  );

/** Without the last digits that binary fractions leave. */
const roundedOff = (figure: number): number => Number(figure.toPrecision(6));

const limits = ({ name, note, limits: own }: CriteriaSet): string =>
  `### ${name}\n\n${note}\n\n${table(
    ['test', 'when', 'rule', 'figures', 'near within', 'temperature', 'note'],
    own.map((limit) => [
      limit.test,
      when(limit),
      limit.rule.kind,
      figures(limit.rule),
      limit.borderline && roundedOff(limit.borderline),
      temperatureWords(limit.temperature),
      ENGLISH.say(noteOf(limit, 1)),
    ]),
  )}`;

const spread = ([mean, sd]: readonly [number, number]): string => `${mean} ± ${sd}`;
const weights = (): string =>
  [
    '### Spreads\n',
    table(
      ['figure', 'sound', 'faulty', 'source'],
      [
        ...Object.entries(FITTED_SPREADS).map(([name, own]) => [
          name,
          spread(own.sound),
          spread(own.faulty),
          'fitted: `npm run fit`',
        ]),
        ...Object.entries(STATED_SPREADS).map(([name, own]) => [
          name,
          spread(own.sound),
          spread(own.faulty),
          own.source,
        ]),
      ],
    ),
    '\n### Weights\n',
    table(
      ['finding', 'weight', 'source'],
      Object.entries(WEIGHTS).map(([name, [value, source]]) => [name, value, source]),
    ),
    '\n### Costs\n',
    'What a wrong decision and finding out cost in each set, minutes of work; see [judging.md](judging.md#when-it-stops).\n',
    table(['cost', ...SCHOOLS.map(({ name }) => name), 'why'], costRows()),
    '\n### Thresholds\n',
    table(
      ['threshold', 'value', 'source'],
      Object.entries(THRESHOLDS).map(([name, [value, source]]) => [name, value, source]),
    ),
  ].join('\n');

/** Every cost with its figure in each set; of the parts one row each. */
const costRows = (): readonly (readonly unknown[])[] =>
  (Object.keys(COST_REASONS) as (keyof typeof COST_REASONS)[]).flatMap((name) =>
    name === 'wrongPart'
      ? PARTS.map((part) => [
          `wrong part: ${part}`,
          ...SCHOOLS.map(({ costs }) => costs.wrongPart[part]),
          COST_REASONS.wrongPart,
        ])
      : [[name, ...SCHOOLS.map(({ costs }) => costs[name]), COST_REASONS[name]]],
  );

const codes = (): string =>
  phraseTables()
    .flatMap((phrases) => Object.keys(phrases))
    .map((code) => `\`${code}\``)
    .join(', ');

const page = (): string =>
  `<!-- Written by \`npm run derive\` from the files of core/src/trade and core/src/criteria; do not edit. -->

# Tables of the trade

${[
  ['Tests', tests()],
  ['Conditions of a reading', conditions()],
  ['Observations', observations()],
  ['Symptoms', symptoms()],
  ['Faults and their excuses', faults()],
  ['Limits of the schools', SCHOOLS.map(limits).join('\n\n')],
  ['What a finding weighs', weights()],
  ['Codes of the sentences', codes()],
]
  .map(([title, body]) => `## ${title}\n\n${body}`)
  .join('\n\n')}
`;

const glossary = (): string =>
  `<!-- Written by \`npm run derive\` from core/src/words/en/glossary.ts and the files of core/src/trade; do not edit. -->

# Glossary

One thing has one name: on the screen, on paper, in these documents and in the code.

${table(
  ['term', 'meaning'],
  Object.entries(GLOSSARY).sort(([a], [b]) => a.localeCompare(b, 'en')),
)}

## Tests

${table(
  ['test', 'name', 'what it is for'],
  Object.entries(TESTS).map(([test, { name, step }]) => [`\`${test}\``, name, step.settles]),
)}

## Observations

${table(
  ['observation', 'name', 'what it is for'],
  Object.entries(OBSERVATIONS).map(([about, { name, step }]) => [`\`${about}\``, name, step.settles]),
)}

## Faults

${table(
  ['fault', 'name', 'in plain words'],
  Object.entries(FAULTS).map(([fault, { name, customer }]) => [`\`${fault}\``, name, customer]),
)}
`;

const schema = (own: unknown): string => `${JSON.stringify(own, null, 2)}\n`;

/** @returns the texts of all files that follow from the core, by path. */
/** Where every operation is asked, as a page takes it: without the classes that the table of operations names. */
function addresses(): string {
  const told = OPERATIONS.map(({ id, method, body, query, answer, ...operation }) => {
    const fields = [
      `method: '${method}'`,
      `path: '${pathOf(operation)}'`,
      ...(body ? ["takes: 'body'"] : query ? ["takes: 'query'"] : []),
      ...('isPaged' in answer && answer.isPaged ? ['isPaged: true'] : []),
    ];
    return `  ${id}: { ${fields.join(', ')} },`;
  });
  return `/** Derived from the table of operations by \`npm run derive\`. */\nexport const ADDRESSES = {\n${told.join('\n')}\n} as const;\n`;
}

export const derivedFiles = (): Readonly<Record<string, string>> => ({
  'contracts/src/operations/addresses.ts': addresses(),
  'docs/schemas/tetrad-case-1.schema.json': schema(caseShape.schema),
  'docs/schemas/tetrad-capture-1.schema.json': schema(captureSchema),
  'docs/schemas/tetrad-judgement-1.schema.json': schema(judgementSchema),
  'docs/schemas/tetrad-criteria-1.schema.json': schema({
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    $id: CRITERIA_FORMAT,
    title: 'Tetrad criteria set',
    ...criteriaShape.schema,
  }),
  'docs/tables.md': page(),
  'docs/glossary.md': glossary(),
});
