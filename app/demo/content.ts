import { formatVoicing } from '~/codecs/voicing'
import { addLicks } from '~/storage'
import { fillOnFirstVisit } from '~/storage/first-visit'
import { demoHeard } from './heard'
import { DEMO_LICKS } from './licks'
import { demoSessions } from './log'
import { demoSets, demoSolos } from './shows'

const DAY = 24 * 60 * 60 * 1000

/** The circus's licks, as they are stored. */
function demoLicks() {
  return DEMO_LICKS.map(({ id, text, rules = [] }) => ({
    id,
    text,
    draft: null,
    voicing: formatVoicing({ rules, pins: [] }),
  }))
}

/** Adds those of the circus's licks that are not there. */
export function addDemoLicks() {
  return addLicks(demoLicks(), Date.now())
}

/** Fills a store that nobody has visited: the circus's licks, set and solo, and four weeks of their log. */
export async function fillDemo(): Promise<void> {
  const midnight = new Date().setHours(0, 0, 0, 0)
  const sessions = demoSessions().map((session, i) => {
    const { daysAgo, minute, ...rest } = session
    return {
      ...rest,
      heard: demoHeard(session),
      id: `demo-${i}`,
      version: 3 as const,
      createdAt: midnight - daysAgo * DAY + minute * 60_000,
    }
  })
  const now = Date.now()
  await fillOnFirstVisit(demoLicks(), now, sessions, {
    sets: demoSets(now),
    solos: demoSolos(now),
  })
}
