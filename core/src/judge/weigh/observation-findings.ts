/** What is seen, heard and felt, what the customer says, and what else is known of the vehicle. */
import { weightOf } from '../../criteria/weights';
import type { WeightName } from '../../criteria/weights';
import type { FaultName, ObservationName } from '../../format/names';
import { FAULTS, FAULT_NAMES, OBSERVATIONS } from '../../trade/tables';
import type { Speaks } from '../../trade/observation';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomName } from '../../trade/symptoms';
import type { GradedCase } from '../../evidence/case-context';
import { causeOf, causes, fixed, weighed } from '../../evidence/finding';
import type { Cause, Finding } from '../../evidence/finding';
import { faultsShowing } from '../../trade/faults-showing';
import { message } from '../messages';

const NO_FLOW = faultsShowing('no-flow');
const OBSERVED = new Map<ObservationName, Map<string, readonly Spoken[]>>();

/** What one observation may say, and whether a reading makes it impossible. */
interface Spoken {
  readonly finding: Finding;
  readonly isRefuted: Speaks['isRefuted'];
}

/** The findings of one observation, made once: the table does not change. */
function speaks(about: ObservationName, finding: string): readonly Spoken[] {
  let own = OBSERVED.get(about);
  if (!own) OBSERVED.set(about, (own = new Map()));
  let rows = own.get(finding);
  if (!rows) {
    rows = (OBSERVATIONS[about].speaks[finding] ?? []).map(({ of, weight, isRefuted }) => ({
      finding: fixed(weight, causes(...of), { observation: about }, message('seen', { about, finding })),
      isRefuted,
    }));
    own.set(finding, rows);
  }
  return rows;
}

/** The newest finding of each observation: seen twice is not seen double. */
export function observationFindings(gradedCase: GradedCase): readonly Finding[] {
  const found: Finding[] = [];
  for (const [about, seen] of gradedCase.observed)
    for (const { finding, isRefuted } of speaks(about, seen)) if (!isRefuted?.(gradedCase)) found.push(finding);
  return found;
}

const SUGGESTED = new Map<SymptomName, readonly Finding[]>();

/** What a symptom says: gathered once from the faults' files. */
function suggests(symptom: SymptomName): readonly Finding[] {
  let findings = SUGGESTED.get(symptom);
  if (!findings) SUGGESTED.set(symptom, (findings = gather(symptom)));
  return findings;
}

function gather(symptom: SymptomName): readonly Finding[] {
  const says = message('complaint', { symptom });
  const source = { symptom };
  const own = FAULT_NAMES.flatMap((fault): Cause[] => {
    const share = FAULTS[fault].symptoms[symptom];
    return share === undefined ? [] : [causeOf(fault, share)];
  });
  const against = new Map<WeightName, FaultName[]>();
  for (const fault of FAULT_NAMES) {
    const weight = FAULTS[fault].symptomsAgainst?.[symptom];
    if (weight !== undefined) against.set(weight, [...(against.get(weight) ?? []), fault]);
  }
  return [
    ...(own.length > 0 ? [fixed(SYMPTOMS[symptom].weight, own, source, says)] : []),
    ...[...against].map(([weight, faults]) => fixed(weight, causes(...faults), source, says)),
  ];
}

/** What the customer said was said before any repair: of the vehicle as it is after one it says nothing. */
export const symptomFindings = ({ pass, case: { complaint } }: GradedCase): readonly Finding[] =>
  pass === 'after' ? [] : [...new Set(complaint?.symptoms)].flatMap(suggests);

const YEAR_MS = 365.25 * 24 * 3600 * 1000;
/** An age beyond this is a slip of the label, years. */
const OLDEST_YEARS = 40;

/** Age is a prior only. */
export function ageFindings(gradedCase: GradedCase): readonly Finding[] {
  const { installed } = gradedCase.case.system.battery;
  const first = gradedCase.readings[0];
  if (!installed || !first?.at) return [];
  const years = (Date.parse(first.at) - Date.parse(installed)) / YEAR_MS;
  if (!(years >= 0 && years < OLDEST_YEARS)) return [];
  return [
    weighed('age', years, {
      causes: causes('battery-worn', ['battery-dead-cell', 0.7]),
      atLeast: weightOf('age-at-least'),
      atMost: weightOf('age-at-most'),
      source: { reading: first.id },
      says: message('age', { years }),
    }),
  ];
}

/** A starter that did not crank, said as a reading that was not possible. */
export function didNotCrankFindings({ readings }: GradedCase): readonly Finding[] {
  const reading = readings.find(({ notPossible }) => notPossible === 'did-not-crank');
  return reading
    ? [
        fixed(
          'did-not-crank',
          [
            ...NO_FLOW,
            ...causes(
              'battery-discharged',
              'battery-dead-cell',
              ['battery-worn', 0.5],
              ['starter-dragging', 0.3],
              ['engine-drag', 0.4],
              ['accessory-seized', 0.2],
            ),
          ],
          { reading: reading.id },
          message('did-not-crank', {}),
        ),
      ]
    : [];
}
