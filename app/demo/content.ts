import { parseLickText } from '~/codecs/lick-text'
import { formatVoicing } from '~/codecs/voicing'
import { lineEvents, VELOCITIES } from '~/core/line'
import { isOneHand } from '~/core/sticking'
import { EVEN, expectedStrokes, playedWith, summaryOf, toldOf } from '~/core/timing'
import { addLicks, type PracticeSessionRecord } from '~/storage'
import { fillOnFirstVisit } from '~/storage/first-visit'
import { DEMO_LICKS } from './licks'
import { type DemoSession, demoSessions } from './log'
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

/** The lick that the circus drummer plays into the app, and on which days. */
const HEARD_LICK = 'demo-tightrope'
const ROUNDS = 8

/**
 * What was heard of a session of the circus drummer, who is simulated here as anywhere else: a left hand that
 * comes late and less so week by week, and a spread that narrows. Null for what was played without it.
 */
function demoHeard({ lickId, daysAgo, part, tempo }: DemoSession): PracticeSessionRecord['heard'] {
  if (lickId !== HEARD_LICK) return null
  const found = DEMO_LICKS.find(({ id }) => id === lickId)
  const read = found && parseLickText(found.text)
  if (!read?.ok) return null
  const { lick } = read.value
  const velocities = lineEvents(lick).map(({ dynamic }) => VELOCITIES[dynamic])
  const line = expectedStrokes(lick, tempo)
    .map((stroke, i) => ({ ...stroke, velocity: velocities[i] ?? VELOCITIES.tap }))
    .filter(({ limb }) => !part.startsWith('hands') || isOneHand(limb))
  const habits = {
    ...EVEN,
    spreadMs: 8 + daysAgo * 0.25 + (part.startsWith('bar') ? 16 : 0),
    delayMs: { LH: 4 + daysAgo * 0.35 },
    missed: 0.02,
  }
  const rounds = Array.from({ length: ROUNDS }, (_, round) =>
    toldOf(line, playedWith(line, habits, daysAgo * 1000 + tempo * 10 + round)),
  )
  const summary = summaryOf(rounds)
  return { ...summary, limbs: [...summary.limbs] }
}
