import { CircleAlert, CircleCheck } from 'lucide-react'
import { type ReactNode, useDeferredValue, useMemo } from 'react'
import { fixesOf } from '~/core/fitting'
import { type Fit, toFit } from '~/words/fit'
import { landingVerdict, type ShortAnswer, speedVerdict } from '~/words/verdict'
import { fixEdit, fixWords } from '~/workspace/edits/fitting-edits'
import { useSettings } from '../live/use-live'
import { countingOf } from '../settings/counting'
import { useAnswers } from '../workspace/use-answers'
import { useBenchLick, useSetting, useWorkspace } from '../workspace/use-workspace'

/**
 * The three answers that are always there: does it fit, how does it land, how fast does it go. A problem
 * stands here in words with its first remedy as a button.
 */
export function Verdict() {
  const lick = useBenchLick()
  const { settings } = useSettings()
  const counting = useMemo(() => countingOf(settings), [settings])
  const fit = useMemo(() => toFit(lick, counting), [lick, counting])
  const lands = useMemo(() => landingVerdict(lick), [lick])
  const answers = useAnswers()
  return (
    <section aria-label="Verdict" className="verdict paint-alone">
      <p className="verdict-part" role="status" aria-live="polite" data-fit={fit.verdict}>
        <span className="whitespace-nowrap">
          <span className="font-semibold text-lg">{fit.used}</span> of {fit.available}
        </span>{' '}
        <FitWords fit={fit} />
      </p>
      <Remedy fit={fit} />
      <Answer answer={lands} />
      <p className="verdict-part">
        {answers.lowest && (
          <>
            <span className="verdict-more">Playable </span>up to{' '}
          </>
        )}
        <Bold>{speedVerdict(answers).first}</Bold>{' '}
        <span className={`text-(--quiet) ${answers.lowest ? 'verdict-more' : ''}`}>
          {speedVerdict(answers).rest}
        </span>
      </p>
    </section>
  )
}

function Bold({ children }: { children: ReactNode }) {
  return <span className="font-semibold">{children}</span>
}

function Answer({ answer }: { answer: ShortAnswer }) {
  return (
    <p className="verdict-part">
      <span className={answer.first ? 'verdict-more' : ''}>
        {answer.rest}
        {answer.rest && answer.first && ', '}
      </span>
      <Bold>{answer.first}</Bold>
    </p>
  )
}

function FitWords({ fit }: { fit: Fit }) {
  if (fit.verdict === 'empty') return <span className="text-(--quiet)">slots used</span>
  if (fit.verdict === 'fits') {
    return (
      <span className="inline-flex items-center gap-1 whitespace-nowrap text-success">
        <CircleCheck size={15} aria-hidden />{' '}
        <span>
          Fills<span className="verdict-more"> the bar exactly</span>
        </span>
      </span>
    )
  }
  return (
    <span
      className={`inline-flex items-center gap-1 whitespace-nowrap font-semibold ${fit.verdict === 'over' ? 'text-error' : 'text-warning'}`}
      title={fit.place}
    >
      <CircleAlert size={15} aria-hidden /> {fit.difference}
    </span>
  )
}

/** The first way to make it fit, a moment after what is typed; shown on the ruler before it is taken. */
function Remedy({ fit }: { fit: Fit }) {
  const workspace = useWorkspace()
  const lick = useDeferredValue(useBenchLick())
  const setting = useSetting()
  const wanted = fit.verdict === 'over' || fit.verdict === 'short'
  const first = useMemo(
    () => (wanted ? fixesOf(lick, null, null, setting)[0] : undefined),
    [wanted, lick, setting],
  )
  if (!first) return null
  const edit = fixEdit(lick, first)
  return (
    <button
      type="button"
      className="verdict-remedy"
      onClick={() => workspace.edit(edit, lick)}
      onPointerEnter={() => workspace.show(edit)}
      onPointerLeave={() => workspace.show(null)}
      onFocus={() => workspace.show(edit)}
      onBlur={() => workspace.show(null)}
    >
      <span className="truncate">{fixWords(first, lick)}</span>
    </button>
  )
}
