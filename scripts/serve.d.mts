/** Chromium's flags on a machine without a network: it need not try. */
export const QUIET_FLAGS: string[]
