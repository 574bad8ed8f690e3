import fc from 'fast-check'

/**
 * What the laws draw is the same at every run of `npm test`, so that a failure tells of the change and not of
 * the day; `npm run laws` draws anew. fast-check prints the seed of what fails, for `DRAW=<seed> npx vitest run`.
 */
fc.configureGlobal({ seed: Number(process.env.DRAW ?? 1) })
