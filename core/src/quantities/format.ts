/** How many decimals a value of a unit is shown with. */
const DECIMALS: Readonly<Record<string, number>> = {
  V: 2,
  A: 0,
  ohm: 4,
  rpm: 0,
  '%': 0,
  SG: 3,
  '°C': 0,
  min: 0,
  s: 0,
  h: 1,
};

const fixed = (value: number, decimals: number): string => {
  const text = value.toFixed(decimals);
  return Number(text) === 0 && text.startsWith('-') ? text.slice(1) : text;
};

/**
 * A quantity for people: small volts as mV, small amps as mA, ohms as mΩ, the rest with the trade's
 * usual decimals and a thin unit behind. The decimal mark is a point; screens localise it.
 */
export function formatQuantity(value: number, unit: string): string {
  if (unit === 'ohm') return `${fixed(value * 1000, 1)} mΩ`;
  if (unit === 'A' && value !== 0 && Math.abs(value) < 1) return `${fixed(value * 1000, 0)} mA`;
  if (unit === 'A' && Math.abs(value) < 20) return `${fixed(value, 1)} A`;
  if (unit === 'SG') return fixed(value, 3);
  return `${fixed(value, DECIMALS[unit] ?? 2)} ${unit}`.trim();
}

/** Volts of a drop or of ripple: millivolts below half a volt. */
export const formatSmallVolts = (volts: number): string =>
  Math.abs(volts) < 0.5 ? `${fixed(volts * 1000, 0)} mV` : `${fixed(volts, 2)} V`;

/** A probability for people: never quite certain. */
export const formatProbability = (share: number): string =>
  share > 0.99 ? 'over 99 %' : share < 0.01 ? 'under 1 %' : formatShare(share);

/** A share of one as a whole percentage. */
export const formatShare = (share: number): string => `${fixed(share * 100, 0)} %`;
