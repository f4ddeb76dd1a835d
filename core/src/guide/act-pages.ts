/** A page for each step of the bench at which no figure is read from a meter: complaint, label, charge, recording. */
import { CHEMISTRIES, RATING_STANDARDS } from '../battery/battery-words';
import { convertRating } from '../battery/rating';
import { restingVolts } from '../battery/state-of-charge';
import { CAUTIONS } from '../evidence/cautions';
import type { CautionName } from '../evidence/cautions';
import type { FigureFormat } from '../quantities/figure-format';
import { ROUTE } from '../trade/bench-route';
import type { ActStep } from '../trade/bench-route';
import type { Fault } from '../trade/fault';
import { FAULTS, FAULT_NAMES } from '../trade/tables';
import { SYMPTOMS, SYMPTOM_NAMES } from '../trade/symptoms';
import type { SymptomName } from '../format/words';

import { CHEMISTRY_WORDS } from '../words/en/battery-label';
import { section } from './guide-page';
import type { GuideLine, GuidePage, GuideSection } from './guide-page';
import { ACT_PAGES } from './page-of-step';

type ActKind = ActStep['kind'];
const CAUTIONS_OF: Readonly<Record<ActKind, readonly CautionName[]>> = {
  ask: [],
  label: [],
  charge: ['acid', 'disconnect'],
  capture: ['cranking'],
};
/** At room temperature, °C. */
const ROOM = 25;
const CHARGES = [1, 0.75, 0.5, 0.25, 0] as const;

export const actPages = (format: FigureFormat): readonly GuidePage[] =>
  ROUTE.flatMap(({ steps }) => steps)
    .filter((step): step is ActStep => step.kind in ACT_PAGES)
    .map(({ kind, name, group, how }) => ({
      id: ACT_PAGES[kind],
      group,
      title: name,
      cautions: CAUTIONS_OF[kind].map((caution) => CAUTIONS[caution]),
      drawing: null,
      sections: [...section('What to do', [how]), ...MORE[kind](format)],
    }));

const MORE: Readonly<Record<ActKind, (format: FigureFormat) => readonly GuideSection[]>> = {
  ask: () => section('What it suggests: where to begin, never proof', SYMPTOM_NAMES.map(suggests)),
  label: (format) => [
    ...section('Why', [
      'Conductance, resistance, the load test and the sag of a crank are all measured against this one figure.',
      'Where it is wrong they fail together, by the same factor: they are one witness then, not four.',
    ]),
    ...section(
      'The same battery in each standard, about',
      RATING_STANDARDS.flatMap((standard) => {
        const amps = convertRating({ value: 1000, standard: 'SAE' }, standard);
        return amps === null ? [`${standard}: a size code, no amps`] : [`${standard}: ${format.amps(amps)}`];
      }),
    ),
    ...section('What spoils it', [
      'CA or MCA taken for CCA: they are rated in the warm and are higher.',
      'A replacement battery of another size, with the old figure still in the record.',
      'A digit that was misread. Amps per ampere hour far from the usual give it away.',
    ]),
  ],
  charge: (format) =>
    section(
      'Resting voltage by charge, 12 V, settled',
      CHARGES.map((charge) => {
        const volts = CHEMISTRIES.map(
          (chemistry) => `${CHEMISTRY_WORDS[chemistry]} ${format.volts(restingVolts(charge, chemistry, 12, ROOM))}`,
        );
        return `${format.share(charge)}: ${volts.join(', ')}`;
      }),
    ),
  capture: () =>
    section('What spoils it', [
      'Volts and amps recorded at different moments.',
      'A clamp at its ceiling: the current is flat while the volts pulse.',
      'Too few samples: the first dip lasts under a millisecond.',
    ]),
};

/** The faults that give a symptom, those that show it most often first. */
function suggests(symptom: SymptomName): GuideLine {
  const share = ({ symptoms }: Fault): number => symptoms[symptom] ?? 0;
  const faults = FAULT_NAMES.filter((fault) => fault !== 'none' && share(FAULTS[fault]) > 0);
  return {
    text: `${SYMPTOMS[symptom].name}${faults.length > 0 ? ':' : ': not this system'}`,
    to: faults.sort((a, b) => share(FAULTS[b]) * FAULTS[b].prior - share(FAULTS[a]) * FAULTS[a].prior),
  };
}
