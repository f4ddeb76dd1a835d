import * as fc from 'fast-check';
import { readBatteryLabel, readVin } from '@tetrad/core';

const LETTERS = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789';

/** A VIN whose check digit fits, made from 17 characters. */
function fitting(raw: string): string {
  const read = readVin(raw, 2026);
  if (!read.ok) throw new Error(read.problem);
  return raw.slice(0, 8) + read.checkDigit + raw.slice(9);
}
const vins = fc.string({ unit: fc.constantFrom(...LETTERS), minLength: 17, maxLength: 17 }).map(fitting);

describe('the VIN', () => {
  test.each(['1M8GDM9AXKP042788', '11111111111111111'])('%s fits its check digit', (vin) => {
    expect(readVin(vin, 2026)).toMatchObject({ ok: true, checkDigitFits: true });
  });

  test('any one digit misread is caught by the check digit', () => {
    fc.assert(
      fc.property(vins, fc.nat(16), fc.integer({ min: 1, max: 9 }), (vin, at, by) => {
        const digit = Number(vin[at]);
        fc.pre(at !== 8 && Number.isInteger(digit));
        const wrong = vin.slice(0, at) + String((digit + by) % 10) + vin.slice(at + 1);
        expect(readVin(wrong, 2026)).toMatchObject({ ok: true, checkDigitFits: false });
      }),
    );
  });

  test('hyphens, spaces, small letters and the I of an import label do not matter', () => {
    for (const typed of ['1m8gdm9axkp042788', '1M8-GDM9AX KP042788', '*I1M8GDM9AXKP042788*'])
      expect(readVin(typed, 2026)).toMatchObject({ ok: true, vin: '1M8GDM9AXKP042788' });
  });

  test('the letter of the model year means its newest year that is not in the future', () => {
    const yearOf = (thisYear: number) => {
      const read = readVin('1M8GDM9AXKP042788', thisYear);
      return read.ok ? read.year : null;
    };
    expect([yearOf(1995), yearOf(2017), yearOf(2018), yearOf(2026)]).toEqual([1989, 1989, 2019, 2019]);
  });

  test('of a VIN whose check digit does not fit no year is told', () => {
    expect(readVin('1M8GDM9A1KP042788', 2026)).toMatchObject({ ok: true, checkDigitFits: false, year: null });
  });

  test.each([
    ['1M8GDM9AXKPO42788', '“O” is in no VIN'],
    ['1M8GDM9AXKP04278', 'has 17 characters, this has 16'],
    ['', 'this has 0'],
  ])('%j is refused with what is allowed', (typed, problem) => {
    expect(readVin(typed, 2026)).toMatchObject({ ok: false, problem: expect.stringContaining(problem) });
  });
});

describe('the battery’s label', () => {
  test.each([
    ['12V 70Ah 640A EN', { nominalVolts: 12, capacityAh: 70, rating: { value: 640, standard: 'EN' } }],
    ['CCA 560', { rating: { value: 560, standard: 'SAE' } }],
    ['AGM 12 V 80 Ah 800 A (SAE)', { chemistry: 'agm', rating: { value: 800, standard: 'SAE' } }],
    ['MCA: 700 A', { rating: { value: 700, standard: 'CA' } }],
  ])('%s', (text, expected) => {
    expect(readBatteryLabel(text)).toMatchObject(expected);
  });

  test('amperes without their standard are left out: CA, CCA and EN are different figures', () => {
    expect(readBatteryLabel('12V 60Ah 540A')).toEqual({ nominalVolts: 12, capacityAh: 60 });
  });
  test('a code that holds no label tells nothing', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'xyz-. ') }), (text) => {
        expect(readBatteryLabel(text)).toEqual({});
      }),
    );
  });
});
