/** A page for everything that is seen, heard or tried by hand. */
import { WEIGHTS } from '../criteria/weights';
import { CAUTIONS } from '../evidence/cautions';
import type { FaultName, ObservationName } from '../format/names';
import type { Voice } from '../format/message';
import type { ObservationKind, Speaks } from '../trade/observation';
import { FAULTS, OBSERVATIONS, OBSERVATION_NAMES } from '../trade/tables';
import { capital, listed, spaced } from '../words/en/names';
import { section } from './guide-page';
import type { GuideLine, GuidePage } from './guide-page';

export const observationPages = (voice: Voice): readonly GuidePage[] =>
  OBSERVATION_NAMES.map((about) => observationPage(about, voice));

function observationPage(about: ObservationName, voice: Voice): GuidePage {
  const row: ObservationKind = OBSERVATIONS[about];
  return {
    id: about,
    group: row.place.group,
    title: row.name,
    cautions: row.step.cautions.map((name) => CAUTIONS[name]),
    drawing: null,
    sections: [
      ...section('Why', [row.step.settles]),
      ...section('Steps', [row.asks, row.place.how], true),
      ...section(
        'What it means',
        row.findings.map((finding) => findingLine(row, finding, voice)),
      ),
    ],
  };
}

function findingLine({ speaks, stops = {} }: ObservationKind, finding: string, voice: Voice): GuideLine {
  const said = speaks[finding] ?? [];
  const stop = stops[finding];
  const parts = [
    ...(stop ? [voice.say(stop.says)] : []),
    ...weighed(
      'speaks for',
      said.filter(({ weight }) => WEIGHTS[weight][0] > 0),
    ),
    ...weighed(
      'speaks against',
      said.filter(({ weight }) => WEIGHTS[weight][0] <= 0),
    ),
  ];
  const to = said.flatMap(({ of }) => of.map(faultOf));
  return {
    text: `${capital(spaced(finding))}: ${parts.join('; ') || 'as it should be'}`,
    ...(to.length > 0 && { to }),
  };
}

const faultOf = (one: Speaks['of'][number]): FaultName => (typeof one === 'string' ? one : one[0]);
const weighed = (how: string, said: readonly Speaks[]): readonly string[] => {
  const names = [...new Set(said.flatMap(({ of }) => of.map((one) => FAULTS[faultOf(one)].name)))];
  return names.length === 0 ? [] : [`${how} ${listed(names)}`];
};
