/** As likely as not. */
export const EVEN_ODDS = 0.5;
