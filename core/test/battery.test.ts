import {
  CHEMISTRIES,
  convertRating,
  freezingCelsius,
  loadTestAmps,
  packCca,
  restingVolts,
  stateOfCharge,
} from '@tetrad/core';
import fc from 'fast-check';

describe('state of charge', () => {
  it.each([
    ['flooded', 12.65, 1],
    ['flooded', 12.45, 0.75],
    ['agm', 12.6, 0.75],
    ['gel', 12.35, 0.5],
    ['flooded', 11.89, 0],
  ] as const)('a %s battery at %d V is %d charged', (chemistry, volts, charge) => {
    expect(stateOfCharge(volts, chemistry, 12)).toBeCloseTo(charge, 2);
  });

  it('12.5 V is a well charged flooded battery and a poorly charged AGM one', () => {
    expect(stateOfCharge(12.5, 'flooded', 12)).toBeGreaterThan(0.75);
    expect(stateOfCharge(12.5, 'agm', 12)).toBeLessThan(0.75);
  });

  it('a cold battery at the same volts is fuller than it looks', () => {
    expect(stateOfCharge(12.4, 'flooded', 12, -18)).toBeGreaterThan(stateOfCharge(12.4, 'flooded', 12, 25));
  });

  it('6 V is half and 24 V is double', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CHEMISTRIES),
        fc.double({ min: 11.5, max: 13, noNaN: true }),
        (chemistry, volts) => {
          const at12 = stateOfCharge(volts, chemistry, 12);
          expect(stateOfCharge(volts / 2, chemistry, 6)).toBeCloseTo(at12, 9);
          expect(stateOfCharge(volts * 2, chemistry, 24)).toBeCloseTo(at12, 9);
        },
      ),
    );
  });

  it('and its resting volts are each other’s inverse, at any temperature', () => {
    const charge = fc.double({ min: 0.01, max: 0.99, noNaN: true });
    fc.assert(
      fc.property(
        fc.constantFrom(...CHEMISTRIES),
        charge,
        fc.integer({ min: -30, max: 50 }),
        (chemistry, share, celsius) => {
          expect(stateOfCharge(restingVolts(share, chemistry, 24, celsius), chemistry, 24, celsius)).toBeCloseTo(
            share,
            6,
          );
        },
      ),
    );
  });

  it('a flat battery freezes at -7 °C, a full one not above -57', () => {
    expect(freezingCelsius(0)).toBe(-7);
    expect(freezingCelsius(1)).toBe(-57);
  });
});

describe('ratings', () => {
  it('CA is not CCA: 700 A CA is 560 A CCA', () => {
    expect(convertRating({ value: 700, standard: 'CA' }, 'SAE')).toBeCloseTo(560);
  });

  it('the same battery has a smaller figure in EN, IEC and DIN', () => {
    const sae = { value: 600, standard: 'SAE' } as const;
    const figures = (['SAE', 'EN', 'IEC', 'DIN'] as const).map((standard) => convertRating(sae, standard)!);
    expect(figures).toEqual([...figures].sort((a, b) => b - a));
  });

  it('a JIS code is no figure', () => {
    expect(convertRating({ value: 55, standard: 'JIS' }, 'SAE')).toBeNull();
    expect(convertRating({ value: 55, standard: 'SAE' }, 'JIS')).toBeNull();
  });

  it('the load test asks half the CCA of each battery; a parallel pack adds up, a series pack does not', () => {
    const rating = { value: 560, standard: 'SAE' } as const;
    expect(loadTestAmps(560)).toBe(280);
    expect(packCca({ rating, count: 2, arrangement: 'parallel' })).toBe(1120);
    expect(packCca({ rating, count: 2, arrangement: 'series' })).toBe(560);
    expect(packCca({})).toBeNull();
  });
});
