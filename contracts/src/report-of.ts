import { BALANCED, decisionWords, figureFormat, judge, reportDocument, schoolById, signedWords } from '@tetrad/core';
import type { FigureChoice, Judgement, ReportDocument, ReportSignOff } from '@tetrad/core';
import type { JobView, SignOffView } from './views';

/** The report of a job as the server told it, or as it stands on this device. */
export function reportOf(job: JobView, judgement?: Judgement, figures?: FigureChoice): ReportDocument {
  const criteria = schoolById(job.criteria) ?? BALANCED;
  return reportDocument({
    case: job.case,
    criteria,
    judgement: judgement ?? job.judgement ?? judge(job.case, criteria),
    signOff: job.signOff && signOffOf(job.signOff, figures),
    ...(figures && { figures }),
  });
}

function signOffOf(signed: SignOffView, choice?: FigureChoice): ReportSignOff {
  const { judged, reason } = signed;
  const figures = figureFormat(choice);
  return {
    ...signed,
    words: signedWords(signed, figures),
    differs: reason === null ? null : { judged: judged ? decisionWords(judged, figures) : 'nothing yet', reason },
  };
}
