/** Chromium's flags on a machine without a network: it need not try. */
export const QUIET_FLAGS: string[]

/** Serves the built demo on a port of its own; resolves when it answers. */
export function serveDemo(): Promise<{ address: string; stop: () => void }>
/** A port that nothing stands on. */
export function freePort(): Promise<number>
