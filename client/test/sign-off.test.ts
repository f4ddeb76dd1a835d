/** The sign-off. */
import { TestBed } from '@angular/core/testing';

import { Store } from '@ngrx/store';
import type { Role } from '@tetrad/contracts';
import { judge } from '@tetrad/core';
import { SessionActions } from '../src/app/state/session/session.feature';
import type { Case } from '@tetrad/core';
import { SignOffDialog } from '../src/app/screens/bench/job/sign-off-dialog';
import type { SignOffDraft } from '../src/app/screens/bench/job/sign-off-form';

import { pick, rest, signedIn, standingBed, subject, submit, typeInto } from './bench-fixtures';

beforeEach(standingBed);

describe('the sign-off', () => {
  async function dialog(given: Case, role: Role = 'lead') {
    TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn('Ilse', role) }));
    const fixture = TestBed.createComponent(SignOffDialog);
    fixture.componentRef.setInput('judgement', judge(given));
    const signed: SignOffDraft[] = [];
    fixture.componentInstance.signed.subscribe((draft) => signed.push(draft));
    await fixture.whenStable();
    return { fixture, signed };
  }
  const stop = subject([rest], { observations: [{ about: 'battery-case', finding: 'swollen' }] });

  it('begins with the judge’s decision, and tells who signs', async () => {
    const { fixture, signed } = await dialog(stop, 'technician');
    expect(document.body.textContent).toContain('Signed by Ilse');
    await typeInto(fixture, 'Parts fitted', 'battery 560 A, , clamp');
    await submit(fixture);
    expect(signed).toEqual([expect.objectContaining({ action: 'stop', partsFitted: ['battery 560 A', 'clamp'] })]);
    expect(signed[0]).not.toHaveProperty('reason');
  });

  it('of an open job the decision is the technician’s alone, with its reason', async () => {
    const { fixture, signed } = await dialog(subject([rest]));
    await pick(fixture, 'Decision taken', 'Repair');
    await pick(fixture, 'Part', 'connections');
    await typeInto(fixture, 'Conclusion', 'A loose clamp was tightened.');
    await submit(fixture);
    expect(document.body.textContent).toContain('The judge says otherwise: say why.');
    await typeInto(fixture, 'Why it differs', 'Seen with my own eyes.');
    await submit(fixture);
    expect(signed).toEqual([
      expect.objectContaining({ action: 'repair', part: 'connections', reason: 'Seen with my own eyes.' }),
    ]);
  });

  it.each([
    ['apprentice', stop, 'A technician signs off.'],
    ['technician', subject([rest]), 'To decide otherwise than the judge, a lead signs.'],
  ] as const)('an %s who may not sign is told who may, and nothing is sent', async (role, given, says) => {
    const { fixture, signed } = await dialog(given, role);
    if (role === 'technician') await pick(fixture, 'Decision taken', 'Nothing found');
    await submit(fixture);
    expect(document.body.textContent).toContain(says);
    expect(signed).toEqual([]);
  });
});
