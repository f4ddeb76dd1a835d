/** The label of a job: corrected in the person's own units, confirmed by looking, nothing typed is lost. */
import { TestBed } from '@angular/core/testing';
import type { JobView } from '@tetrad/contracts';
import type { FigureChoice, System } from '@tetrad/core';
import type { LabelChanges } from '../src/app/job/commands';
import { JobLabelDialog } from '../src/app/screens/bench/job/job-label-dialog';
import { jobLabelForm, labelChangesOf } from '../src/app/screens/bench/job/job-label-form';
import { QuickStrip } from '../src/app/screens/bench/job/quick-strip';
import type { QuickVehicle } from '../src/app/screens/bench/job/quick-strip';
import { button, standingBed, subject, submit, text, typeInto, view } from './bench-fixtures';

const CELSIUS: FigureChoice = { decimal: 'point', temperature: 'C', smallVolts: 'mV' };
const FAHRENHEIT: FigureChoice = { ...CELSIUS, temperature: 'F' };
const COMMA: FigureChoice = { ...CELSIUS, decimal: 'comma' };
const SYSTEM: System = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'diesel', displacementLitres: 2 },
  battery: { chemistry: 'agm', rating: { value: 720, standard: 'EN' }, capacityAh: 80 },
  alternator: { ratedAmps: 140, regulation: 'commanded' },
  specified: { starterDrawAmps: { min: 180, max: 340 } },
};
const labelled = (system: System, celsius?: number): JobView =>
  view(subject([], { system, ...(celsius !== undefined && { conditions: { batteryCelsius: celsius } }) }));

describe('what is known of a job', () => {
  it('saved as it is changes nothing of the label, whatever the person’s units', () => {
    for (const choice of [CELSIUS, FAHRENHEIT, COMMA]) {
      const job = labelled(SYSTEM, 5);
      const changes = labelChangesOf(jobLabelForm(job, choice), job, choice);
      expect(changes.system).toEqual(SYSTEM);
      expect(changes.conditions?.batteryCelsius).toBeCloseTo(5, 6);
      expect(changes).not.toHaveProperty('assignee');
      expect(changes).not.toHaveProperty('vehicle');
    }
  });

  it('a temperature is typed in the person’s own unit and kept in °C', () => {
    const job = labelled(SYSTEM);
    const form = jobLabelForm(job, FAHRENHEIT);
    form.controls.celsius.setValue('14');
    expect(labelChangesOf(form, job, FAHRENHEIT).conditions).toEqual({ batteryCelsius: -10, ambientCelsius: -10 });
  });

  it('a temperature taken out is one that nobody knows', () => {
    const job = labelled(SYSTEM, 5);
    const form = jobLabelForm(job, CELSIUS);
    form.controls.celsius.setValue('');
    expect(labelChangesOf(form, job, CELSIUS).conditions).toEqual({});
  });

  it('a label that does not fit its battery is confirmed by saving it, one that fits is not', () => {
    const odd: System = {
      ...SYSTEM,
      battery: { chemistry: 'flooded', rating: { value: 460, standard: 'DIN' }, capacityAh: 53 },
    };
    const rating = (system: System) => {
      const job = labelled(system);
      return labelChangesOf(jobLabelForm(job, CELSIUS), job, CELSIUS).system?.battery.rating;
    };
    expect(rating(odd)).toEqual({ value: 460, standard: 'DIN', confirmed: true });
    expect(rating(SYSTEM)).toEqual({ value: 720, standard: 'EN' });
  });

  it('who has the job is changed only where it was, and may be nobody', () => {
    const job = { ...labelled(SYSTEM), assignee: 'Ilse' };
    const form = jobLabelForm(job, CELSIUS);
    expect(labelChangesOf(form, job, CELSIUS)).not.toHaveProperty('assignee');
    form.controls.assignee.setValue('  ');
    expect(labelChangesOf(form, job, CELSIUS).assignee).toBe('');
  });
});

describe('the dialog of the label', () => {
  beforeEach(standingBed);
  afterEach(() => document.body.replaceChildren());

  async function dialog(job: JobView) {
    const changes: LabelChanges[] = [];
    const fixture = TestBed.createComponent(JobLabelDialog);
    fixture.componentRef.setInput('job', job);
    fixture.componentInstance.changed.subscribe((change) => changes.push(change));
    await fixture.whenStable();
    return { fixture, changes, said: () => document.body.textContent! };
  }

  it('says why a label is doubted', async () => {
    const odd: System = {
      ...SYSTEM,
      battery: { chemistry: 'flooded', rating: { value: 460, standard: 'DIN' }, capacityAh: 53 },
    };
    expect((await dialog(labelled(odd))).said()).toContain('460 A (DIN) for 53 Ah is more than such a battery has');
  });

  it('refuses a rating that is none, by name, and changes nothing', async () => {
    const { fixture, changes, said } = await dialog(labelled(SYSTEM));
    await typeInto(fixture, 'Battery rating', 'many');
    await submit(fixture);
    expect(said()).toContain('many');
    expect(changes).toEqual([]);
  });

  it('takes a corrected rating', async () => {
    const { fixture, changes } = await dialog(labelled(SYSTEM));
    await typeInto(fixture, 'Battery rating', '680');
    await submit(fixture);
    expect(changes[0]?.system?.battery.rating).toEqual({ value: 680, standard: 'EN', confirmed: true });
  });
});

describe('a quick check at its bench', () => {
  beforeEach(standingBed);

  async function strip() {
    const kept: QuickVehicle[] = [];
    let discarded = 0;
    const fixture = TestBed.createComponent(QuickStrip);
    fixture.componentInstance.kept.subscribe((vehicle) => kept.push(vehicle));
    fixture.componentInstance.discarded.subscribe(() => (discarded += 1));
    await fixture.whenStable();
    return { fixture, kept, discarded: () => discarded };
  }

  it('becomes a job under the name it is given, a plate where there is one', async () => {
    const { fixture, kept } = await strip();
    await typeInto(fixture, 'Vehicle', '  Slip car ');
    await submit(fixture);
    await typeInto(fixture, 'Plate', 'SC-1');
    await submit(fixture);
    expect(kept).toEqual([{ name: 'Slip car' }, { name: 'Slip car', plate: 'SC-1' }]);
  });

  it('without a name it stays what it is, and says what is missing', async () => {
    const { fixture, kept } = await strip();
    await submit(fixture);
    expect(kept).toEqual([]);
    expect(text(fixture).length).toBeGreaterThan('Quick check. Kept on this device only. Make it a job Discard'.length);
  });

  it('is thrown away by one button', async () => {
    const { fixture, kept, discarded } = await strip();
    button(fixture, 'Discard').click();
    expect(discarded()).toBe(1);
    expect(kept).toEqual([]);
  });
});
