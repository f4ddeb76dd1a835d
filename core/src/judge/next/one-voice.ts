/** One voice: what a decision that is not final asks for is the first of the steps that stand beside it. */
import { excuseRow } from '../../trade/excuses';
import type { Decided } from '../decide/decide';
import { message } from '../messages';
import type { DecisionMessages } from '../messages';
import type { ProvenCase } from '../prove/prove';
import type { Step } from '../propose/propose-steps';

/**
 * The decision as it is told beside its steps. A suspicion names the other cause that the first step rules out, or the step
 * itself where it rules out none; without a suspicion the reason is the first step's own.
 */
export function inOneVoice(decided: Decided, [first]: readonly Step[], provenCase: ProvenCase): Decided {
  if (decided.action !== 'test-next' || !first) return decided;
  const { because, fault } = decided;
  if (because.code === 'outside-unexplained') {
    const { reading } = because.params as unknown as DecisionMessages['outside-unexplained'];
    if (reading.test === first.test) return decided;
  }
  if (because.code !== 'leads' || fault === null) return { ...decided, because: first.because };
  const { excuse: _worst, ...suspicion } = because.params as unknown as DecisionMessages['leads'];
  const asked = provenCase.proofOf(fault).excuses.find((excuse) => excuseRow(excuse).steps.includes(first.test));
  return {
    ...decided,
    because: message('leads', { ...suspicion, ...(asked ? { excuse: asked } : { step: first.test }) }),
  };
}
