/** Where Debian's Chromium is. */
export const CHROMIUM: string
