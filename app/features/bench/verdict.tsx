import { CircleAlert, CircleCheck } from 'lucide-react'
import { type ReactNode, useMemo } from 'react'
import { Link } from 'react-router'
import { useCounting } from '~/live/use-setting'
import { lazyComponent } from '~/ui/lazy-component'
import { LoadBoundary } from '~/ui/load-boundary'
import type { Answers } from '~/words/answers'
import { type Fit, toFit } from '~/words/fit'
import { landingVerdict, type ShortAnswer, speedVerdict } from '~/words/verdict'
import { FindFills } from './find-fills'
import { useAnswers } from './state/use-answers'
import { useBenchLick } from './state/use-workspace'

/** Fetched when a line does not fit first: what would mend it is dearer than what says so. */
const Remedy = lazyComponent(async () => (await import('./remedy')).default)
/** Fetched when a line is short of its space first. */
const Endings = lazyComponent(async () => (await import('./endings')).default)

/**
 * The three answers that are always there: does it fit, how does it land, how fast does it go. A problem
 * stands here in words with its first remedy as a button.
 */
export function Verdict() {
  const lick = useBenchLick()
  const counting = useCounting()
  const fit = useMemo(() => toFit(lick, counting), [lick, counting])
  const lands = useMemo(() => landingVerdict(lick), [lick])
  const answers = useAnswers()
  const wanted = fit.verdict === 'over' || fit.verdict === 'short'
  return (
    <section aria-label="Verdict" className="verdict paint-alone">
      <p className="verdict-part" role="status" aria-live="polite" data-fit={fit.verdict}>
        <span className="whitespace-nowrap">
          <span className="font-semibold text-lg">{fit.used}</span> of {fit.available}
        </span>{' '}
        <FitWords fit={fit} />
      </p>
      {wanted && (
        <LoadBoundary what="The remedy">
          {fit.verdict === 'short' ? <Endings /> : <Remedy />}
        </LoadBoundary>
      )}
      <Answer answer={lands} />
      {answers && fit.verdict !== 'empty' && <Speed answers={answers} />}
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
  if (fit.verdict === 'empty')
    return (
      <span className="text-(--quiet)">
        slots<span className="verdict-more"> used. Type a line,</span>{' '}
        <Link className="link" to="?panel=cells:tap">
          tap it in
        </Link>
        <span className="verdict-more">,</span> <FindFills words="find a fill" />
        <span className="verdict-more">, or</span> <FindFills draw words="be surprised" />
      </span>
    )
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

function Speed({ answers }: { answers: Answers }) {
  const { first, rest } = speedVerdict(answers)
  return (
    <p className="verdict-part">
      {answers.lowest && (
        <>
          <span className="verdict-more">Playable </span>up to{' '}
        </>
      )}
      <Bold>{first}</Bold>{' '}
      <span className={`text-(--quiet) ${answers.lowest ? 'verdict-more' : ''}`}>{rest}</span>
    </p>
  )
}
