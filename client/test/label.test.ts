/** The label of a job: its system and its complaint. */
import { TestBed } from '@angular/core/testing';
import type { Case } from '@tetrad/core';
import { ComplaintEntry } from '../src/app/screens/bench/step/complaint-entry';
import { draftOf, systemForm, systemOf } from '../src/app/label/system-draft';
import { problemOf } from '../src/app/kit/forms/problem';
import { subject, standingBed } from './bench-fixtures';

beforeEach(standingBed);

describe('the label', () => {
  const full: Case['system'] = {
    nominalVolts: 24,
    engine: { cylinders: 6, fuel: 'diesel', displacementLitres: 7.2 },
    battery: {
      chemistry: 'agm',
      rating: { value: 900, standard: 'EN' },
      capacityAh: 180,
      count: 2,
      arrangement: 'series',
      serviceable: false,
    },
    alternator: { ratedAmps: 150, regulation: 'fixed' },
    specified: { starterDrawAmps: { min: 200, max: 500 } },
  };

  it('typed and understood again is what it was; what it does not know is kept', () => {
    const odd = {
      ...full,
      specified: { ...full.specified, crankingVolts: { min: 19 } },
      gearbox: 'manual',
    } as Case['system'];
    expect(systemOf(draftOf(full))).toEqual(full);
    expect(systemOf(draftOf(odd), odd)).toEqual(odd);
  });

  it('what is emptied is gone, and does not come back from before', () => {
    const draft = { ...draftOf(full), rating: '', cylinders: '', alternator: '', arrangement: 'single' as const };
    const system = systemOf(draft, full);
    expect(system.battery).toEqual({ chemistry: 'agm', capacityAh: 180, serviceable: false });
    expect(system.engine).toEqual({ fuel: 'diesel', displacementLitres: 7.2 });
    expect(system.alternator).toEqual({ regulation: 'fixed' });
  });

  it('every field that does not fit is named with what it holds and what is allowed', () => {
    const form = systemForm({ ...draftOf(full), rating: 'lots', cylinders: '40', chargeMax: '-1' });
    const problems = Object.entries(form.controls).flatMap(([field, control]) => {
      const text = problemOf(control);
      return text === null ? [] : [[field, text]];
    });
    expect(problems).toEqual([
      ['rating', 'Found “lots”; allowed is a number, above 0, at most 5000 (A).'],
      ['cylinders', 'Found “40”; allowed is a whole number from 1 to 16.'],
      ['chargeMax', 'Found “-1”; allowed is a number, at least 0, at most 100 (V).'],
    ]);
  });

  it('the complaint is changed symptom by symptom, and what was replaced is noted', async () => {
    const fixture = TestBed.createComponent(ComplaintEntry);
    fixture.componentRef.setInput(
      'subject',
      subject([], { complaint: { symptoms: ['slow-crank'], partsAlreadyReplaced: ['horn'] } }),
    );
    const changed: unknown[] = [];
    fixture.componentInstance.changed.subscribe((complaint) => changed.push(complaint));
    await fixture.whenStable();
    const box = (words: string): HTMLInputElement => {
      const label = [...document.querySelectorAll('label')].find((one) => one.textContent!.trim() === words)!;
      return document.getElementById(label.htmlFor) as HTMLInputElement;
    };
    expect(box('horn').checked).toBe(true);
    box('Cranks slowly').click();
    await fixture.whenStable();
    box('starter').click();
    await fixture.whenStable();
    expect(changed).toEqual([
      { symptoms: [], partsAlreadyReplaced: ['horn'] },
      { symptoms: [], partsAlreadyReplaced: ['horn', 'starter'] },
    ]);
  });
});
