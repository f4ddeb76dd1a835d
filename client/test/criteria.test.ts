/** Criteria in the interface: figures as they are typed, faults at their fields, limits over temperature, a run that is read line by line. */
import { TestBed } from '@angular/core/testing';
import { provideStore, provideState, Store } from '@ngrx/store';
import { BALANCED, CRITERIA_FORMAT, SCHOOLS, figureFormat, limitKey, limitWords } from '@tetrad/core';
import type { CriteriaDocument, Limit } from '@tetrad/core';
import {
  faultsOf,
  fieldsOf,
  idOfName,
  typedAt,
  understoodFigure,
  valueAt,
  withValue,
} from '../src/app/criteria/criteria-draft';
import { limitOverTemperature } from '../src/app/criteria/limit-over-temperature';

import { setFigureWords, setFigures } from '../src/app/criteria/set-figures';
import { RejudgeRun } from '../src/app/criteria/rejudge-run';
import { SessionActions, sessionFeature } from '../src/app/state/session/session.feature';
import { signedIn } from './bench-fixtures';

const document: CriteriaDocument = { format: CRITERIA_FORMAT, ...BALANCED, id: 'ours', name: 'Ours' };
const limitAt = (test: Limit['test']): number => document.limits.findIndex((limit) => limit.test === test);

describe('a set as it is edited', () => {
  it('every figure of every limit that ships is shown, and typed back unchanged', () => {
    for (const set of SCHOOLS) {
      const whole = { format: CRITERIA_FORMAT, ...set } as CriteriaDocument;
      set.limits.forEach((limit, at) => {
        for (const field of fieldsOf(limit, at)) {
          const text = typedAt(whole, field);
          const value = understoodFigure(text, field);
          if (text === '') expect([field.isOptional, value]).toEqual([true, undefined]);
          else expect(value).toBeCloseTo(valueAt(whole, field.path) as number, 9);
        }
      });
    }
  });

  it('a share is typed in percent; what is no figure says so, and an empty one only where it may be', () => {
    const at = limitAt('conductance');
    const [share, zone] = fieldsOf(document.limits[at]!, at);
    expect([typedAt(document, share!), understoodFigure('82,5', share!)]).toEqual(['70', 0.825]);
    expect(understoodFigure('much', share!)).toBe('“much” is no figure.');
    expect([understoodFigure('', share!), understoodFigure('', zone!)]).toEqual(['Needed: a figure.', undefined]);
  });

  it('a change makes a new document; what is wrong with it is told by the path of its field', () => {
    const at = limitAt('charging-voltage') + 1;
    const path = `limits[${at}].rule.max`;
    const changed = withValue(document, path, 12);
    expect([valueAt(document, path), valueAt(changed, path)]).toEqual([14.8, 12]);
    expect(faultsOf(document)).toEqual([]);
    expect(faultsOf(changed).map(({ field }) => field)).toContain(path);
    expect(faultsOf(withValue(document, 'costs.comeback', -1)).map(({ field }) => field)).toEqual(['costs.comeback']);
    expect(withValue(document, `limits[${at}].borderline`, undefined).limits[at]).not.toHaveProperty('borderline');
  });

  it('what does not fit at a share is told in percent, as it was typed', () => {
    const path = `limits[${limitAt('conductance')}].rule.minShare`;
    expect(faultsOf(withValue(document, path, 2))).toEqual([
      { field: path, found: '200', allowed: expect.stringMatching(/at least \d+, at most \d{3} \(%\)/) },
    ]);
    expect(faultsOf(withValue(document, 'minimumCharge', 1.4))[0]).toMatchObject({ found: '140' });
    expect(faultsOf(withValue(document, 'surfaceChargeVolts', 9))[0]).toMatchObject({ found: '9' });
  });

  it('every number of a set is reached by a field: its limits, charge, draw and costs', () => {
    const paths = [
      ...document.limits.flatMap((limit, at) => fieldsOf(limit, at)),
      ...setFigures(document).flatMap(({ fields }) => fields),
    ].map(({ path }) => path);
    const numbers = (node: unknown, path: string): string[] =>
      typeof node === 'number'
        ? [path]
        : Object.entries(typeof node === 'object' && node ? node : {}).flatMap(([name, inner]) =>
            numbers(inner, Array.isArray(node) ? `${path}[${name}]` : path ? `${path}.${name}` : name),
          );
    // the temperatures of a floor, and what names a row or a version, are not figures of it
    const named = /^version$|points\[\d+\]\[0\]$|upTo(Cylinders|Litres)$/;
    expect(numbers(document, '').filter((path) => !named.test(path) && !paths.includes(path))).toEqual([]);
    expect(setFigureWords(0.75, 'share', figureFormat())).toBe('75 %');
  });

  it('a name makes an id that an address can hold', () => {
    expect([idOfName('Balanced, ours'), idOfName('  Ärger & Co. '), idOfName('x'.repeat(60)).length]).toEqual([
      'balanced-ours',
      'rger-co',
      40,
    ]);
  });
});

describe('a limit in words and over temperature', () => {
  it('has its figures with their units', () => {
    const words = (test: Limit['test'], at = 0) =>
      limitWords(document.limits.filter((limit) => limit.test === test)[at]!, figureFormat());
    expect(words('conductance')).toBe('Of its rating, at least 70 %');
    expect(words('load-test')).toBe('At least, by temperature: 8.10 V at -30 °C to 9.60 V at 21 °C');
    expect(words('diode-reverse')).toBe('Shows OL');
    const keys = document.limits.map(limitKey);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('is worked out by the core: a cold battery is allowed less, a cold regulator asks more', () => {
    const at = (test: Limit['test'], celsius: number, place = 0) => {
      const limit = document.limits.filter((one) => one.test === test)[place]!;
      return limitOverTemperature(limit).find((point) => point.celsius === celsius)!;
    };
    expect(at('cranking-voltage', -15).min! < at('cranking-voltage', 20).min!).toBe(true);
    expect(at('charging-voltage', -20, 1).max! > at('charging-voltage', 30, 1).max!).toBe(true);
    const { min, nearMin } = at('cranking-voltage', 20);
    expect(nearMin! - min!).toBeCloseTo(0.2, 6);
  });
});

describe('past jobs judged again', () => {
  const line = (done: number, isEnd = false) =>
    `${JSON.stringify({ done, total: 4, changed: done / 2, verdicts: [{ job: `j${done}` }], isEnd })}\n`;
  function run(parts: readonly string[]): RejudgeRun {
    TestBed.configureTestingModule({ providers: [provideStore(), provideState(sessionFeature), RejudgeRun] });
    TestBed.inject(Store).dispatch(SessionActions.known({ session: signedIn('Tomas Aldery', 'lead') }));
    const queue = parts.map((part) => new TextEncoder().encode(part));
    const body = {
      pipeThrough: () => ({
        getReader: () => {
          const decoder = new TextDecoder();
          return {
            read: () => {
              const next = queue.shift();
              return Promise.resolve({ done: next === undefined, value: decoder.decode(next, { stream: true }) });
            },
          };
        },
      }),
    };
    Object.assign(globalThis, {
      TextDecoderStream: class {},
      fetch: jest.fn(() => Promise.resolve({ ok: true, body })),
    });
    return TestBed.inject(RejudgeRun);
  }

  it('is told line by line, also where a line comes in two parts', async () => {
    const whole = line(2) + line(4, true);
    const it = run([whole.slice(0, 20), whole.slice(20)]);
    await it.begin('ours', 2);
    expect(it.progress()).toEqual({ done: 4, total: 4, changed: 2, isEnd: true });
    expect(it.verdicts().map(({ job }) => job)).toEqual(['j2', 'j4']);
    expect([it.isRunning(), it.share(), it.problem()]).toEqual([false, 1, null]);
  });
  it('can be canceled, and a refusal is told', async () => {
    const it = run([]);
    (globalThis.fetch as jest.Mock).mockImplementationOnce(() =>
      Promise.resolve({ ok: false, json: () => Promise.resolve({ detail: 'There is no such version.' }) }),
    );
    await it.begin('ours', 9);
    expect(it.problem()).toBe('There is no such version.');
    (globalThis.fetch as jest.Mock).mockImplementationOnce(
      (_url: string, { signal }: { signal: AbortSignal }) =>
        new Promise((_resolve, reject) => signal.addEventListener('abort', () => reject(new Error('aborted')))),
    );
    const running = it.begin('ours', 2);
    expect(it.isRunning()).toBe(true);
    it.cancel();
    await running;
    expect([it.isRunning(), it.problem()]).toEqual([false, null]);
  });
});
