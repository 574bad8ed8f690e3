import { ensurePackages, run } from './ensure.mjs'

/** Draws what the kit sounds like: eight surfaces at five forces, on one page in `docs/`. */
ensurePackages()
run('node_modules/.bin/tsx', ['tests/bench/spectrograms.ts'])
