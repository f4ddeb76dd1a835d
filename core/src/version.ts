/** The core's version: stored with every judgement, raised whenever a verdict could change. */
export const CORE_VERSION = '0.3.0';
