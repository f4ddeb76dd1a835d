import { BALANCED, decisionWords, judge, reportDocument, schoolById } from '@tetrad/core';
import type { FigureChoice, Judgement, ReportDocument, ReportSignOff } from '@tetrad/core';
import type { JobView, SignOffView } from './views';

/** The report of a job as the server told it, or as it stands on this device. */
export function reportOf(job: JobView, judgement?: Judgement, figures?: FigureChoice): ReportDocument {
  const criteria = schoolById(job.criteria) ?? BALANCED;
  return reportDocument({
    case: job.case,
    criteria,
    judgement: judgement ?? job.judgement ?? judge(job.case, criteria),
    signOff: job.signOff && signOffOf(job.signOff),
    ...(figures && { figures }),
  });
}

function signOffOf(signed: SignOffView): ReportSignOff {
  const { by, at, action, part, reason, conclusion, partsFitted, comment, solved, judged } = signed;
  const taken = { action, part, fault: null };
  return {
    by,
    at,
    words: decisionWords(taken),
    differs: reason === null ? null : { judged: judged ? decisionWords(judged) : 'nothing yet', reason },
    conclusion,
    partsFitted,
    comment,
    solved,
  };
}
