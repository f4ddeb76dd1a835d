/** The sign-off. */
import { TestBed } from '@angular/core/testing';

import { judge } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { SignOffDialog } from '../src/app/screens/bench/job/sign-off-dialog';
import type { SignOffDraft } from '../src/app/screens/bench/job/sign-off-form';

import { pick, rest, standingBed, subject, submit, typeInto } from './bench-fixtures';

beforeEach(standingBed);

describe('the sign-off', () => {
  async function dialog(given: Case) {
    const fixture = TestBed.createComponent(SignOffDialog);
    fixture.componentRef.setInput('judgement', judge(given));
    const signed: SignOffDraft[] = [];
    fixture.componentInstance.signed.subscribe((draft) => signed.push(draft));
    await fixture.whenStable();
    return { fixture, signed };
  }
  const stop = subject([rest], { observations: [{ about: 'battery-case', finding: 'swollen' }] });

  it('begins with the judge’s decision and needs a name', async () => {
    const { fixture, signed } = await dialog(stop);
    await submit(fixture);
    expect(signed).toEqual([]);
    expect(document.body.textContent).toContain('a name of 1 to 80 characters');
    await typeInto(fixture, 'Your name', 'Ilse');
    await typeInto(fixture, 'Parts fitted', 'battery 560 A, , clamp');
    await submit(fixture);
    expect(signed).toEqual([
      expect.objectContaining({ by: 'Ilse', action: 'stop', partsFitted: ['battery 560 A', 'clamp'] }),
    ]);
    expect(signed[0]).not.toHaveProperty('reason');
  });

  it('of an open job the decision is the technician’s alone, with its reason', async () => {
    const { fixture, signed } = await dialog(subject([rest]));
    await pick(fixture, 'Decision taken', 'Repair');
    await pick(fixture, 'Part', 'connections');
    await typeInto(fixture, 'Conclusion', 'A loose clamp was tightened.');
    await typeInto(fixture, 'Your name', 'Bo');
    await submit(fixture);
    expect(document.body.textContent).toContain('The judge says otherwise: say why.');
    await typeInto(fixture, 'Why it differs', 'Seen with my own eyes.');
    await submit(fixture);
    expect(signed).toEqual([
      expect.objectContaining({ action: 'repair', part: 'connections', reason: 'Seen with my own eyes.' }),
    ]);
  });
});
