/** A value that was probably meant, and why. */
export interface Slip {
  readonly value: number;
  readonly kind: 'decimal-point' | 'milli' | 'sign';
}

/**
 * Guesses what was meant by a value outside its physical domain: a lost decimal point (1261 for
 * 12.61), millivolts typed as volts (230 for 0.230), or a sign from swapped leads.
 *
 * @param value The value as entered, in the unit of the domain.
 * @param min Lowest possible value.
 * @param max Highest possible value.
 * @param usual A usual value, which decides between several guesses.
 * @returns the guess nearest to `usual`, or null where nothing fits.
 */
export function likelySlip(value: number, min: number, max: number, usual: number): Slip | null {
  const guesses: Slip[] = [
    { value: -value, kind: 'sign' },
    { value: value / 10, kind: 'decimal-point' },
    { value: value / 100, kind: 'decimal-point' },
    { value: value / 1000, kind: 'milli' },
  ];
  const fitting = guesses.filter((guess) => guess.value >= min && guess.value <= max);
  const distance = (guess: Slip): number =>
    Math.abs(Math.log((Math.abs(guess.value) + 1e-6) / (Math.abs(usual) + 1e-6)));
  return fitting.sort((a, b) => distance(a) - distance(b))[0] ?? null;
}
