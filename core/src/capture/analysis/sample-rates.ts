/** How many samples a second it takes to show what. */

/** An inrush is shown from so many samples a second on (practice: a few milliseconds to its peak). */
export const INRUSH_FROM_HZ = 400;
/** Ripple is looked for from so many samples a second on; below, humps would be taken for slower ones. */
export const RIPPLE_FROM_HZ = 4000;
