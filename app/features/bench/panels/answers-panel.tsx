import { CircleAlert } from 'lucide-react'
import { memo, type ReactNode, useMemo } from 'react'
import type { Answers } from '~/words/answers'
import { type Fit, toFit } from '~/words/fit'
import { useAnswers } from '../state/use-answers'
import { usePanel } from '../state/use-panel'
import { useWorkspace } from '../state/use-workspace'

/** Everything that is said of the line, in full; the verdict over the ruler is its short form. */
export function AnswersPanel() {
  const workspace = useWorkspace()
  const { lick, counting } = usePanel()
  const answers = useAnswers()
  const fit = useMemo(() => toFit(lick, counting), [lick, counting])
  return (
    <div className="flex flex-col gap-4 text-sm">
      <FitAnswer fit={fit} onStart={(place) => workspace.setRow('start', [place])} />
      {answers && <MoreAnswers answers={answers} />}
    </div>
  )
}

/** Does it fit, and what is left? */
function FitAnswer({ fit, onStart }: { fit: Fit; onStart: (place: string) => void }) {
  return (
    <Block title={HEADINGS[fit.verdict]}>
      <p>
        <span className="font-semibold">{fit.used}</span> of {fit.available} slots
        {fit.difference && `: ${fit.difference}`}
      </p>
      {fit.place && <p>{fit.place}</p>}
      {fit.betterStart && (
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm mt-1 self-start font-normal"
          onClick={() => onStart(fit.betterStart?.written ?? '')}
        >
          Start on {fit.betterStart.said}: ends on the barline
        </button>
      )}
      {fit.groups && (
        <p>
          {fit.groups}, {fit.span}
        </p>
      )}
      <p className="text-(--quiet)">
        {fit.strokes} {fit.again && `${fit.again}.`}
      </p>
    </Block>
  )
}

/** The answers that may come a moment after what is typed: landing, speed, limbs. */
const MoreAnswers = memo(function MoreAnswers({ answers }: { answers: Answers }) {
  return (
    <>
      <Block title="Lands">
        {answers.lands.map((line) => (
          <p key={line}>{line}</p>
        ))}
        {answers.foot && <p className="text-(--quiet)">{answers.foot.text}</p>}
      </Block>
      <Block title="Speed">
        {answers.limits.map((line, i) => (
          <p key={line} className={i === 0 ? '' : 'text-(--quiet)'}>
            {line}
          </p>
        ))}
        <p className="text-(--quiet)">{answers.speed}</p>
      </Block>
      {answers.names.length > 0 && (
        <Block title="Cells">
          {answers.names.map((name) => (
            <p key={name}>{name}</p>
          ))}
        </Block>
      )}
      {(answers.limbs || answers.pedal || answers.clashes.length > 0) && (
        <Block title="Limbs">
          {answers.limbs && <p>{answers.limbs}</p>}
          {answers.together.map((line) => (
            <p key={line}>{line}</p>
          ))}
          {answers.pedal && (
            <p className="flex gap-1.5 text-warning">
              <CircleAlert size={16} className="mt-0.5 shrink-0" aria-hidden />
              {answers.pedal}
            </p>
          )}
          {answers.clashes.map((clash) => (
            <p key={clash} className="flex gap-1.5 text-error">
              <CircleAlert size={16} className="mt-0.5 shrink-0" aria-hidden />
              {clash}
            </p>
          ))}
        </Block>
      )}
    </>
  )
})

const HEADINGS = { fits: 'Fits', short: 'Short', over: 'Over', empty: 'Empty' } as const

function Block({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="flex flex-col gap-1.5 border-base-300 border-t pt-3 first:border-t-0 first:pt-0">
      <h3 className="font-semibold">{title}</h3>
      {children}
    </section>
  )
}
