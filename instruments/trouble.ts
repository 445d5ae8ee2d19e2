/** What a simulated instrument can be told to do wrong. */
export const TROUBLES = ['none', 'drop', 'garbage', 'slow'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** How long a slow instrument takes, ms: longer than anybody waits for it. */
export const SLOW = 12_000;
