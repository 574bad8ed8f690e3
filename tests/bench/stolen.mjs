import { readFileSync } from 'node:fs'

const STEAL = 8

/**
 * Processor time that others on the same host took from this machine so far, all cores together, in
 * the system's ticks of 10 ms (proc(5), /proc/stat, "steal"). Always 0 where the system does not say.
 */
export function stolenTicks() {
  try {
    return Number(readFileSync('/proc/stat', 'utf8').split('\n', 1)[0].split(/\s+/)[STEAL] ?? 0)
  } catch {
    return 0
  }
}
