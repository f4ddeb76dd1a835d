/** The judge's answer in the words and the form of `tetrad-judgement/1`. */
import type { FaultEvidence, GradedReading, NextStep, PartVerdict } from '../format/judgement-shape';
import { ENGLISH } from '../words/en/voice';
import type { Verdicted } from './decide/verdict';
import type { Assessment } from './grade/assessment';
import type { Step } from './next/next-step';
import type { Ranked } from './rank/rank-faults';

// The answer is written out field by field: it is large, and spreading objects of many shapes is slow.

export const gradedReading = ({ id, grade, because, resolved }: Assessment): GradedReading => ({
  id,
  grade,
  limit: resolved ? ENGLISH.say(resolved.bound) : '',
  because: ENGLISH.say(because),
  code: because.code,
  with: because.with,
});

export const nextStep = ({ test, because, minutes, conditions, battery }: Step): NextStep => {
  const step = {
    test,
    because: ENGLISH.say(because),
    minutes,
    conditions,
    code: because.code,
    with: because.with,
  } as NextStep;
  return battery === undefined ? step : { ...step, battery };
};

export function verdictOf({ verdict, because, missing, where }: Verdicted): PartVerdict {
  const made = {
    verdict,
    because: ENGLISH.say(because),
    missing,
    code: because.code,
    with: because.with,
  };
  return where ? { ...made, where } : made;
}

export function lineOf({ finding: { source, says: said }, weight }: Ranked['lines'][number]): FaultEvidence {
  const says = ENGLISH.say(said);
  const { code, with: figures } = said;
  if ('reading' in source) return { reading: source.reading, weight, says, code, with: figures };
  return 'observation' in source
    ? { observation: source.observation, weight, says, code, with: figures }
    : { symptom: source.symptom, weight, says, code, with: figures };
}
