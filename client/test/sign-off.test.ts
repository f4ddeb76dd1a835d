/** The sign-off. */
import { TestBed } from '@angular/core/testing';

import { judge } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { SignOffDialog } from '../src/app/screens/bench/job/sign-off-dialog';
import type { SignOffDraft } from '../src/app/screens/bench/job/sign-off-dialog';

import { subject, rest, view, standingBed } from './bench-fixtures';

beforeEach(standingBed);

describe('the sign-off', () => {
  async function dialog(given: Case) {
    const fixture = TestBed.createComponent(SignOffDialog);
    fixture.componentRef.setInput('job', view(given));
    fixture.componentRef.setInput('judgement', judge(given));
    const signed: SignOffDraft[] = [];
    fixture.componentInstance.signed.subscribe((draft) => signed.push(draft));
    await fixture.whenStable();
    const field = async (label: string, value: string) => {
      const found = [...document.querySelectorAll('label')].find((one) => one.textContent!.includes(label))!;
      const input = found.querySelector<HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement>(
        'input, select, textarea',
      )!;
      input.value = value;
      input.dispatchEvent(new Event(input instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
      await fixture.whenStable();
    };
    const submit = async () => {
      document.querySelector('form')!.dispatchEvent(new Event('submit'));
      await fixture.whenStable();
    };
    return { fixture, signed, field, submit };
  }
  const stop = subject([rest], { observations: [{ about: 'battery-case', finding: 'swollen' }] });

  it('begins with the judge’s decision and needs a name', async () => {
    const { signed, field, submit } = await dialog(stop);
    await submit();
    expect(signed).toEqual([]);
    expect(document.body.textContent).toContain('a name of 1 to 80 characters');
    await field('Your name', 'Ilse');
    await field('Parts fitted', 'battery 560 A, , clamp');
    await submit();
    expect(signed).toEqual([
      expect.objectContaining({ by: 'Ilse', action: 'stop', partsFitted: ['battery 560 A', 'clamp'] }),
    ]);
    expect(signed[0]).not.toHaveProperty('reason');
  });

  it('of an open job the decision is the technician’s alone, with its reason', async () => {
    const { signed, field, submit } = await dialog(subject([rest]));
    await field('Decision taken', 'repair');
    await field('Part', 'connections');
    await field('Conclusion', 'A loose clamp was tightened.');
    await field('Your name', 'Bo');
    await submit();
    expect(document.body.textContent).toContain('The judge says otherwise: say why.');
    await field('Why it differs', 'Seen with my own eyes.');
    await submit();
    expect(signed).toEqual([
      expect.objectContaining({ action: 'repair', part: 'connections', reason: 'Seen with my own eyes.' }),
    ]);
  });
});
