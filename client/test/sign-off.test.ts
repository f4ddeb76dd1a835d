/** The sign-off. */
import { TestBed } from '@angular/core/testing';

import { Store } from '@ngrx/store';
import type { PersonView, Role } from '@tetrad/contracts';
import { judge } from '@tetrad/core';
import { SessionActions } from '../src/app/state/session/session.feature';
import type { Case, Reading } from '@tetrad/core';
import { of } from 'rxjs';
import { SignOffDialog } from '../src/app/screens/bench/job/sign-off-dialog';
import type { SignOffDraft } from '../src/app/screens/bench/job/sign-off-form';

import { api, button, pick, rest, signedIn, standingBed, subject, submit, typeInto } from './bench-fixtures';

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
    ['technician', subject([rest]), 'A lead signs a decision that differs from the judge’s.'],
  ] as const)('an %s who may not sign is told who may, and nothing is sent', async (role, given, says) => {
    const { fixture, signed } = await dialog(given, role);
    if (role === 'technician') await pick(fixture, 'Decision taken', 'Nothing found');
    await submit(fixture);
    expect(document.body.textContent).toContain(says);
    expect(signed).toEqual([]);
  });

  it('who must sign otherwise than the judge is said before anything is filled in', async () => {
    await dialog(stop, 'technician');
    expect(document.body.textContent).toContain('To decide otherwise, a lead signs');
  });

  it('an apprentice’s sign-off is signed in place: the technician’s PIN, and what was filled in stays', async () => {
    const lead: PersonView = {
      id: 'p9',
      name: 'Edda Quill',
      role: 'lead',
      active: true,
      hasPin: true,
      email: null,
      oneTimeUntil: null,
    };
    const other: PersonView = {
      id: 'p8',
      name: 'Finn Apprentice',
      role: 'apprentice',
      active: true,
      hasPin: true,
      email: null,
      oneTimeUntil: null,
    };
    jest.spyOn(api, 'listPeople').mockReturnValue(of([lead, other]));
    jest.spyOn(api, 'switchUser').mockReturnValue(of(signedIn('Edda Quill', 'lead')));
    const { fixture, signed } = await dialog(stop, 'apprentice');
    await typeInto(fixture, 'Comment', 'told the driver');
    expect(document.body.textContent).not.toContain('Finn Apprentice');
    button(fixture, 'Edda Quill').click();
    await fixture.whenStable();
    for (const digit of ['7', '4', '1', '0'])
      document.dispatchEvent(new KeyboardEvent('keydown', { key: digit, bubbles: true }));
    await fixture.whenStable();
    expect(document.body.textContent).toContain('Signed by Edda Quill');
    await submit(fixture);
    expect(signed).toEqual([expect.objectContaining({ action: 'stop', comment: 'told the driver' })]);
  });

  it('a repair that the readings prove begins as repaired; of a part that is replaced, as fitted', async () => {
    const weak: Reading = { id: 'c', test: 'conductance', value: 250 };
    const good: Reading = { id: 'd', test: 'conductance', value: 540, pass: 'after' };
    const load: Reading = { id: 'l', test: 'load-test', value: 8.2, conditions: { amps: 280, seconds: 15 } };
    const again = { ...load, id: 'm', value: 10.4, pass: 'after' } as Reading;
    const { fixture, signed } = await dialog(
      subject([rest, weak, load, { ...rest, id: 'r2', pass: 'after' }, good, again]),
    );
    expect(document.body.textContent).toContain('Repaired: battery.');
    await submit(fixture);
    expect(signed).toEqual([
      expect.objectContaining({ action: 'repaired', part: 'battery', partsFitted: ['battery'] }),
    ]);
  });
});
