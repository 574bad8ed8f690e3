import { type Put, spaceOf } from '~/core/finder'
import { Part } from '~/ui/parts'
import { FindFills } from '../find-fills'
import { usePanel } from '../state/use-panel'

const PATTERNS: readonly (readonly [Put, string])[] = [
  ['kick', 'Kicks in natural sticking'],
  ['rest', 'Rests in natural sticking'],
  ['flam', 'Flams on natural sticking'],
  ['accent', 'Accents on this line'],
]

/** The questions that a line leads to; the finder counts and lists what answers them. */
export function FindPanel() {
  const { lick } = usePanel()
  const room = spaceOf(lick) !== null
  const typed = lick.line.slots.length > 0
  return (
    <div className="flex flex-col gap-4">
      <Part title="Fills for this space">
        <ul className="flex flex-col items-start gap-1.5">
          <li>
            <FindFills
              words={typed ? 'Of the groups of this line' : 'Of a few cells to begin with'}
            />
          </li>
          {typed && (
            <li>
              <FindFills ask={{ kind: 'like' }} words="Like this one, in all that is true of it" />
            </li>
          )}
          {typed && (
            <li>
              <FindFills ask={{ kind: 'turned' }} words="This line begun at any of its strokes" />
            </li>
          )}
          <li>
            <FindFills draw words="One at random" />
          </li>
        </ul>
      </Part>
      {room && (
        <Part title="All patterns of a rule, counted and numbered">
          <ul className="flex flex-col items-start gap-1.5">
            {PATTERNS.map(([put, words]) => (
              <li key={put}>
                <FindFills ask={{ kind: 'pattern', put }} words={words} />
              </li>
            ))}
          </ul>
        </Part>
      )}
    </div>
  )
}
