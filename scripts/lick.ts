import { readFileSync, writeFileSync } from 'node:fs'
import { lickCommand } from './lick-command'

const { code, out, told } = await lickCommand(process.argv.slice(2), {
  read: (path) => {
    try {
      return readFileSync(path === '-' ? 0 : path)
    } catch {
      return undefined
    }
  },
  write: writeFileSync,
})
process.stdout.write(out)
process.stderr.write(told)
process.exitCode = code
