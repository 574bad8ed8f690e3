import { useEffect, useMemo, useRef } from 'react'
import type { Lick } from '~/core/line'
import type { PlayContext } from '~/core/playability'
import { type Join, remediesOf, type Solo, type SoloJudgement, type SoloPart } from '~/core/solo'
import { Button, EmptyState } from '~/ui/parts'
import { crossingWords, joinFaults, joinLimit, joinName, remedyWords } from '~/words/solo-words'

interface JoinListProps {
  readonly solo: Solo
  readonly judgement: SoloJudgement
  readonly setting: PlayContext
  readonly opened: number | null
  /** Other versions of the lick of a part, by name. */
  readonly versions: (part: SoloPart) => readonly { readonly name: string; readonly lick: Lick }[]
  readonly newId: () => string
  readonly onOpen: (number: number | null) => void
  readonly onMend: (parts: readonly SoloPart[]) => void
  readonly onLoop: (number: number) => void
}

/** Where parts meet: up to which tempo it goes, what is wrong, and what would mend it. */
export function JoinList(props: JoinListProps) {
  const { judgement, solo, opened, onOpen, onLoop } = props
  const { joins, sections } = judgement
  const listed = joins.flatMap((join, number) =>
    join.between === 'parts' || join.faults.length > 0 ? [{ join, number }] : [],
  )
  // What is wrong stands first.
  listed.sort((a, b) => Number(b.join.faults.length > 0) - Number(a.join.faults.length > 0))
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => {
    list.current?.querySelector(`[data-open="${opened}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [opened])
  if (listed.length === 0)
    return <EmptyState>Parts that follow each other are judged here, as one passage.</EmptyState>
  return (
    <ul ref={list} className="flex max-h-96 flex-col overflow-y-auto" aria-label="Joins">
      {listed.map(({ join, number }) => {
        const faults = joinFaults(join, sections)
        const crossing = crossingWords(join, sections)
        const name = joinName(join, sections, solo)
        const open = opened === number
        return (
          <li key={number} data-open={number} className="border-base-300 border-t py-1.5 text-sm">
            <div className="flex items-baseline gap-2">
              <button
                type="button"
                className="min-w-0 grow rounded-field text-left hover:underline"
                aria-expanded={open}
                onClick={() => onOpen(open ? null : number)}
              >
                {faults.length > 0 && (
                  <span aria-hidden="true" className="mr-1.5 font-bold text-error">
                    !
                  </span>
                )}
                {name}
              </button>
              <span className="shrink-0 tabular-nums">{joinLimit(join)}</span>
            </div>
            {faults.map((words) => (
              <p key={words} className="text-error">
                {words}
              </p>
            ))}
            {crossing && <p className="text-(--quiet)">{crossing}</p>}
            {(open || faults.length > 0) && (
              <div className="mt-1.5 flex flex-wrap gap-1.5">
                <Button label={`Loop the join ${name}`} onClick={() => onLoop(number)}>
                  Loop this join
                </Button>
                {faults.length > 0 && <Remedies {...props} join={join} />}
              </div>
            )}
          </li>
        )
      })}
    </ul>
  )
}

function Remedies({ join, ...props }: JoinListProps & { readonly join: Join }) {
  const { solo, setting, versions, newId, onMend } = props
  const found = useMemo(
    () => remediesOf(solo, join, setting, { groove: grooveOf(solo), id: newId(), versions }),
    [solo, join, setting, versions, newId],
  )
  if (found.length === 0)
    return (
      <span className="self-center text-(--quiet)">
        {join.between === 'times'
          ? 'Play it once, or change its first or last strokes.'
          : 'Nothing here mends it at this tempo. Change a part, or play it slower.'}
      </span>
    )
  return found.map((remedy) => (
    <Button key={`${remedyWords(remedy)} ${remedy.name}`} onClick={() => onMend(remedy.parts)}>
      {remedyWords(remedy)}
    </Button>
  ))
}

/** The groove that is played in a solo, or the usual one. */
function grooveOf({ parts }: Solo): string {
  const groove = parts.find((part) => part.kind === 'groove' && part.groove !== 'none')
  return groove?.kind === 'groove' ? groove.groove : 'eighths'
}
