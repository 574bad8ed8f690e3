interface LadderProps {
  readonly rungs: readonly number[]
  readonly now: number
  readonly goal: number | null
  /** Rungs past what the part can be played at. */
  readonly past: readonly number[]
  readonly onGo: (rung: number) => void
}

/** The tempos as a ladder, the goal on top; a click goes to a rung. */
export function Ladder({ rungs, now, goal, past, onGo }: LadderProps) {
  return (
    <ol aria-label="Ladder" className="flex flex-col-reverse border-base-300 border-x">
      {rungs.map((rung, i) => (
        <li key={rung}>
          <button
            type="button"
            aria-current={i === now ? 'step' : undefined}
            className="flex w-full items-baseline justify-between gap-3 border-base-300 border-b-2 px-3 pt-3 pb-0.5 font-semibold text-xl tabular-nums hover:bg-base-300 aria-[current]:border-primary aria-[current]:text-4xl aria-[current]:text-primary"
            onClick={() => onGo(i)}
          >
            {Math.round(rung * 10) / 10}
            <span className="font-normal text-(--quiet) text-sm">
              {[rung === goal ? 'goal' : '', past.includes(rung) ? 'past what it plays up to' : '']
                .filter(Boolean)
                .join(', ')}
            </span>
          </button>
        </li>
      ))}
    </ol>
  )
}
