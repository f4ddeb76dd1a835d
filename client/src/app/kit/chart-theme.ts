/** The chart's colours, from the theme around it: ink for volts, copper for amps. */
export interface ChartTheme {
  readonly volts: string;
  readonly amps: string;
  readonly other: string;
  readonly line: string;
  readonly soft: string;
  readonly band: string;
  readonly cursor: string;
  /** The colors of grades. */
  readonly within: string;
  readonly outside: string;
  readonly mono: string;
  readonly sans: string;
}

export function chartTheme(element: Element): ChartTheme {
  const style = getComputedStyle(element);
  const of = (name: string): string => style.getPropertyValue(name).trim();
  return {
    volts: of('--ink'),
    amps: of('--copper'),
    other: of('--void'),
    line: of('--line-soft'),
    soft: of('--ink-soft'),
    band: of('--shade'),
    cursor: of('--within'),
    within: of('--within'),
    outside: of('--outside'),
    mono: of('--mono'),
    sans: of('--sans'),
  };
}
