import { formatVoicing } from '~/codecs/voicing'
import { fillOnFirstVisit } from '~/storage'

const DAY = 24 * 60 * 60 * 1000

/** The circus's licks, as they are stored. */
export async function demoLicks() {
  const { DEMO_LICKS } = await import('~/demo/licks')
  return DEMO_LICKS.map(({ id, text, rules = [] }) => ({
    id,
    text,
    draft: null,
    voicing: formatVoicing({ rules, pins: [] }),
  }))
}

/** In the demo, fills a store that nobody has visited: the circus's licks, and four weeks of their log. */
export async function fillDemo(demo: boolean): Promise<void> {
  if (!demo) return
  const [licks, { demoSessions }] = await Promise.all([demoLicks(), import('~/demo/log')])
  const midnight = new Date().setHours(0, 0, 0, 0)
  const sessions = demoSessions().map(({ daysAgo, minute, ...session }, i) => ({
    ...session,
    id: `demo-${i}`,
    version: 3 as const,
    createdAt: midnight - daysAgo * DAY + minute * 60_000,
  }))
  await fillOnFirstVisit(licks, Date.now(), sessions)
}
