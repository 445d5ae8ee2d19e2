/** What a simulated instrument can be told to do wrong. */
export const SIMULATED_FAULTS = ['none', 'drop', 'garbage', 'slow'] as const;
export type SimulatedFault = (typeof SIMULATED_FAULTS)[number];

/** How long a slow instrument takes, ms: longer than anybody waits for it. */
export const SLOW = 12_000;
