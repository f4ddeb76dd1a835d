/** The kit: what a part is to a form, to a keyboard and to those who cannot see it. */
import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { JobVehicle, VehicleUse, VoidReading } from '@tetrad/contracts';
import { numberShape } from '@tetrad/core';
import fc from 'fast-check';
import { MessageService } from 'primeng/api';
import { InputText } from 'primeng/inputtext';
import { keptChoice } from '../src/app/device/kept-choice';
import { Button } from '../src/app/kit/button';
import { Check } from '../src/app/kit/check';
import { CheckList } from '../src/app/kit/check-list';
import { Field } from '../src/app/kit/field';
import { Fold } from '../src/app/kit/fold';
import { bodyOf, focusProblem } from '../src/app/kit/forms/body-form';
import { countOf } from '../src/app/kit/forms/count';
import { Figure, figureOf, fitsFigure } from '../src/app/kit/forms/figure';
import { keptDraft } from '../src/app/kit/forms/kept-draft';
import { problemOf } from '../src/app/kit/forms/problem';
import { isWriting } from '../src/app/kit/keys/bind-keys';
import { KEY_TABLE } from '../src/app/kit/keys/key-table';
import { Segmented } from '../src/app/kit/segmented';
import { Select } from '../src/app/kit/select';
import { Suggest } from '../src/app/kit/suggest';
import { ToastOutlet } from '../src/app/kit/toast-outlet';
import { Toasts } from '../src/app/kit/toasts';
import { pick, standingBed, typeInto } from './bench-fixtures';

const AMPS = { shape: numberShape({ above: 0, max: 5000, unit: 'A' }), unit: 'A' } as const;
const WORDS = ['alpha', 'beta', 'gamma'].map((value) => ({ value, label: value }));

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Check, CheckList, Field, Figure, Fold, InputText, ReactiveFormsModule, Segmented, Select, Suggest],
  template: `
    <form [formGroup]="form" (ngSubmit)="sent = sent + 1">
      <tt-field label="Rating" unit="A" hint="As on the label">
        <input pInputText ttFigure formControlName="rating" />
      </tt-field>
      <tt-select label="Standard" formControlName="word" [options]="words" />
      <tt-segmented label="Loads" formControlName="few" [options]="words" />
      <tt-check formControlName="holds">Charged before</tt-check>
      <tt-check-list label="Symptoms" formControlName="list" [options]="words" />
      <tt-suggest label="Vehicle" formControlName="known" [known]="['Quay van', 'Slip car']" />
      <tt-fold says="More"><p class="folded">Folded</p></tt-fold>
      <button pButton>Not a submit</button>
    </form>
  `,
})
class Page {
  sent = 0;
  readonly words = WORDS;
  readonly form = new FormGroup({
    rating: new FormControl('', { nonNullable: true, validators: [fitsFigure(AMPS)] }),
    word: new FormControl('alpha', { nonNullable: true }),
    few: new FormControl('alpha', { nonNullable: true }),
    holds: new FormControl(false, { nonNullable: true }),
    list: new FormControl<readonly string[]>(['beta'], { nonNullable: true }),
    known: new FormControl('', { nonNullable: true }),
  });
}

async function page() {
  const fixture = TestBed.createComponent(Page);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  return {
    fixture,
    host,
    form: fixture.componentInstance.form,
    field: host.querySelector<HTMLInputElement>('tt-field input')!,
  };
}

beforeEach(standingBed);

describe('a field', () => {
  it('tells nothing before it was touched, then its problem, to the eye and to the ear, and nothing once mended', async () => {
    const { fixture, host, field } = await page();
    field.value = 'lots';
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(host.querySelector('.kit-error')).toBeNull();
    field.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    const told = host.querySelector('.kit-error')!;
    expect(told.textContent).toBe('Found “lots”; allowed is a number, above 0, at most 5000 (A).');
    expect([field.getAttribute('aria-invalid'), field.getAttribute('aria-describedby')]).toEqual(['true', told.id]);
    await typeInto(fixture, 'Rating, A', '560');
    expect(host.querySelector('.kit-error')).toBeNull();
    expect(field.hasAttribute('aria-invalid')).toBe(false);
    expect(host.textContent).toContain('As on the label');
  });

  it('keeps what was typed, however wrong it is', async () => {
    const { fixture, field, form } = await page();
    await typeInto(fixture, 'Rating, A', '5 60 A?');
    expect([field.value, form.getRawValue().rating]).toEqual(['5 60 A?', '5 60 A?']);
  });
});

describe('choices are form controls', () => {
  it('a list, few words, a tick, any of several: each sets its own value and shows what the form sets', async () => {
    const { fixture, host, form } = await page();
    await pick(fixture, 'Standard', 'gamma');
    const segment = [...host.querySelectorAll<HTMLElement>('tt-segmented p-togglebutton, tt-segmented button')].find(
      (one) => one.textContent!.trim() === 'beta',
    )!;
    segment.click();
    for (const words of ['Charged before', 'gamma']) {
      const label = [...host.querySelectorAll('label')].find((one) => one.textContent!.trim() === words)!;
      document.getElementById(label.htmlFor)!.click();
      await fixture.whenStable();
    }
    expect(form.getRawValue()).toMatchObject({ word: 'gamma', few: 'beta', holds: true, list: ['beta', 'gamma'] });
    form.patchValue({ word: 'beta', list: [] });
    await fixture.whenStable();
    expect(host.querySelector('tt-select [role=combobox]')!.textContent!.trim()).toBe('beta');
    expect(host.querySelectorAll('tt-check-list input:checked')).toHaveLength(0);
  });

  it('their labels are theirs: a list and few words are named for those who cannot see them', async () => {
    const { host } = await page();
    for (const part of host.querySelectorAll('tt-select, tt-segmented')) {
      const named = part.querySelector('[aria-labelledby]')!;
      const label = document.getElementById(named.getAttribute('aria-labelledby')!)!;
      expect(part.contains(label)).toBe(true);
      expect(label.textContent!.trim()).not.toBe('');
    }
  });

  it('suggestions are offered by any of their words, and anything else may be typed', async () => {
    const { fixture, form } = await page();
    const part = fixture.debugElement.query((one) => one.name === 'tt-suggest').componentInstance as unknown as {
      offer: (query: string) => void;
      offered: () => string[];
    };
    part.offer('van qu');
    expect(part.offered()).toEqual(['Quay van']);
    await typeInto(fixture, 'Vehicle', 'Something else');
    expect(form.getRawValue().known).toBe('Something else');
  });

  it('a fold opens by its line, and a button inside a form does not send it', async () => {
    const { fixture, host } = await page();
    const [fold, plain] = ['More', 'Not a submit'].map((words) =>
      [...host.querySelectorAll('button')].find((one) => one.textContent!.includes(words))!,
    );
    const hidden = () => host.querySelector('.folded')!.parentElement!.hidden;
    expect([hidden(), fold!.getAttribute('aria-expanded')]).toEqual([true, 'false']);
    fold!.click();
    plain!.click();
    await fixture.whenStable();
    expect([hidden(), fold!.getAttribute('aria-expanded')]).toEqual([false, 'true']);
    expect(fixture.componentInstance.sent).toBe(0);
  });
});

describe('a figure', () => {
  it('that fits means what was typed, in any spelling; one that does not fit is refused and empty is absent', () => {
    const control = new FormControl('', { nonNullable: true, validators: [fitsFigure(AMPS)] });
    fc.assert(
      fc.property(fc.double({ min: -10, max: 6000, noNaN: true }), fc.boolean(), (value, comma) => {
        const text = value.toFixed(2).replace('.', comma ? ',' : '.');
        control.setValue(text);
        const typed = Number(value.toFixed(2));
        expect([text, control.valid]).toEqual([text, typed > 0 && typed <= 5000]);
        if (control.valid) expect(figureOf(text, AMPS)).toBeCloseTo(typed, 9);
      }),
    );
    control.setValue('  ');
    expect([control.valid, figureOf('  ', AMPS)]).toEqual([true, undefined]);
  });
});

describe('a form checked by its body’s class', () => {
  const form = () => new FormGroup({ name: new FormControl('', { nonNullable: true }), reason: new FormControl('') });

  it('tells each misfit at its own field, and sends nothing', () => {
    const filled = form();
    expect(bodyOf(JobVehicle, filled, { id: crypto.randomUUID(), name: '' })).toBeNull();
    expect(problemOf(filled.controls.name)).toBe('Needed: text of 1 to 80 characters.');
    filled.controls.name.setValue('Quay van');
    expect(bodyOf(JobVehicle, filled, { id: crypto.randomUUID(), name: 'Quay van' })).toMatchObject({
      name: 'Quay van',
    });
  });

  it('takes a field of another name to its place, and a misfit that nobody can mend is a fault of the program', () => {
    const filled = form();
    expect(bodyOf(VoidReading, filled, { reason: 'x'.repeat(300) }, { reason: 'name' })).toBeNull();
    expect(problemOf(filled.controls.name)).toMatch(/^Found "x+…; allowed is the reason, 1 to 200 characters\.$/);
    expect(() => bodyOf(JobVehicle, form(), { id: 'none', name: 'Van' })).toThrow('JobVehicle.id: found "none"');
  });

  it.each<[string, number | string | undefined]>([
    [' 12000 ', 12_000],
    ['', undefined],
    ['12,000', '12,000'],
    ['12.5', '12.5'],
    ['-3', '-3'],
  ])('a count typed as “%s” is never another number', (typed, sent) => {
    expect(countOf(typed)).toBe(sent);
  });

  it('a count that is none is told at its field as it was typed', () => {
    const use = new FormGroup({ km: new FormControl('12,000', { nonNullable: true }) });
    expect(bodyOf(VehicleUse, use, { km: countOf(use.getRawValue().km) })).toBeNull();
    expect(problemOf(use.controls.km)).toBe('Found "12,000"; allowed is a whole number of kilometers, 0 to 10000000.');
  });

  it('moves the focus to the first field that does not fit', async () => {
    const { fixture, host, field } = await page();
    await typeInto(fixture, 'Rating, A', '-1');
    focusProblem(host);
    await new Promise((resolve) => setTimeout(resolve, 5));
    expect(document.activeElement).toBe(field);
  });
});

describe('what is typed', () => {
  const opened = (): FormGroup<{ name: FormControl<string> }> => {
    const form = new FormGroup({ name: new FormControl('', { nonNullable: true }) });
    drop = TestBed.runInInjectionContext(() => keptDraft(form, 'test'));
    return form;
  };
  let drop: () => void;

  it('is there again after a reload, and gone once it was sent', () => {
    opened().controls.name.setValue('Quay v');
    expect(opened().getRawValue()).toEqual({ name: 'Quay v' });
    drop();
    expect(opened().getRawValue()).toEqual({ name: '' });
  });

  it.each(['{', 'null', '7', '{"other":1}'])('finding %s it begins anew', (kept) => {
    sessionStorage.setItem('tetrad.draft.test', kept);
    expect(opened().getRawValue()).toEqual({ name: '' });
  });

  it('as a choice of the device is passed over where it is none', () => {
    localStorage.setItem('test.choice', '{"size":"huge","side":"left"}');
    const { value, set } = keptChoice<{ size: string; side: string }>('test.choice', {
      size: ['small', 'large'],
      side: ['right', 'left'],
    });
    expect(value()).toEqual({ size: 'small', side: 'left' });
    set({ size: 'large' });
    expect(JSON.parse(localStorage.getItem('test.choice')!)).toEqual({ size: 'large', side: 'left' });
    localStorage.removeItem('test.choice');
  });
});

describe('a toast', () => {
  it('takes back what it says, once, and then is gone', async () => {
    const fixture = TestBed.createComponent(ToastOutlet);
    await fixture.whenStable();
    let undone = 0;
    TestBed.inject(Toasts).say('12.61 V saved', () => (undone += 1));
    await fixture.whenStable();
    const undo = [...document.querySelectorAll('button')].find((one) => one.textContent!.includes('Undo'))!;
    undo.click();
    await fixture.whenStable();
    expect(undone).toBe(1);
    TestBed.inject(Toasts).say('Nothing to take back');
    await fixture.whenStable();
    expect(document.body.textContent).toContain('Nothing to take back');
    expect([...document.querySelectorAll('button')].some((one) => one.textContent!.includes('Undo'))).toBe(false);
  });

  it('says the newest thing only', () => {
    const said: unknown[] = [];
    TestBed.inject(MessageService).clearObserver.subscribe(() => said.push('cleared'));
    TestBed.inject(MessageService).messageObserver.subscribe((message) =>
      said.push((message as { summary: string }).summary),
    );
    TestBed.inject(Toasts).say('one');
    TestBed.inject(Toasts).say('two');
    expect(said).toEqual(['cleared', 'one', 'cleared', 'two']);
  });
});

describe('keys', () => {
  const all = Object.entries(KEY_TABLE).flatMap(([scope, rows]) =>
    Object.entries<{ press: string; shown: string }>(rows).map(([name, row]) => ({ scope, name, ...row })),
  );

  it('none belongs to a browser’s menus or to a screen reader', () => {
    const owned = all.filter(({ press }) => /^Alt\+Key[DEFSBTHV]$|^F\d+$|^(Control|Meta)\+|^Alt\+Arrow/.test(press));
    expect(owned).toEqual([]);
  });

  it('none means two things on one screen', () => {
    for (const scope of ['Job list', 'Bench']) {
      const here = all.filter((row) => row.scope === scope || row.scope === 'Anywhere').map(({ press }) => press);
      expect(new Set(here).size).toBe(here.length);
    }
  });

  it('single signs belong to a text that is written, and to the keys where a figure is', () => {
    const at = (html: string): KeyboardEvent => {
      const host = document.createElement('div');
      host.innerHTML = html;
      const event = new KeyboardEvent('keydown', { key: '?' });
      Object.defineProperty(event, 'target', { value: host.firstElementChild });
      return event;
    };
    expect(isWriting(at('<textarea></textarea>'))).toBe(true);
    expect(isWriting(at('<input type="text">'))).toBe(true);
    const figure = at('<input>');
    (figure.target as HTMLInputElement).inputMode = 'decimal';
    expect(isWriting(figure)).toBe(false);
    expect(isWriting(at('<input type="checkbox">'))).toBe(false);
  });
});
