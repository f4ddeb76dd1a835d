import { decisionWords, figureFormat, judge, reportDocument, signedWords } from '@tetrad/core';
import type { FigureChoice, Judgement, ReportDocument, ReportSignOff } from '@tetrad/core';
import { criteriaOfJob } from './criteria-of-job';
import type { JobView, SignOffView } from './views';

/** The report of a job as the server told it, or as it stands on this device. */
export function reportOf(job: JobView, judgement?: Judgement, figures?: FigureChoice): ReportDocument {
  const criteria = criteriaOfJob(job);
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
