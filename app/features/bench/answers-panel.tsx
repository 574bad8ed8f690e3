import { CircleAlert, CircleCheck } from 'lucide-react'
import { memo, type ReactNode } from 'react'
import type { Answers } from '~/words/answers'
import type { Fit } from '~/words/fit'

/** Does it fit? The first of the answers, at once with what is typed. */
export function FitAnswer({ fit, onStart }: { fit: Fit; onStart: (place: string) => void }) {
  const { verdict } = fit
  return (
    <Block title={HEADINGS[verdict]}>
      <p className="flex flex-wrap items-baseline gap-x-2" role="status" aria-live="polite">
        <span className="font-semibold text-5xl tracking-tight">{fit.used}</span>
        <span className="text-(--quiet) text-lg">of {fit.available} slots</span>
      </p>
      {verdict === 'fits' && (
        <p className="flex items-center gap-1.5 font-medium text-success">
          <CircleCheck size={16} aria-hidden /> Fills the bar exactly
        </p>
      )}
      {(verdict === 'over' || verdict === 'short') && (
        <p
          className={`flex items-center gap-1.5 font-semibold ${verdict === 'over' ? 'text-error' : 'text-warning'}`}
        >
          <CircleAlert size={16} aria-hidden /> {fit.difference}
        </p>
      )}
      {fit.place && <p>{fit.place}</p>}
      {fit.betterStart && (
        <button
          type="button"
          className="btn btn-outline border-base-300 btn-sm mt-1 self-start"
          onClick={() => onStart(fit.betterStart ?? '')}
        >
          Start on {fit.betterStart}: ends on the barline
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
export const MoreAnswers = memo(function MoreAnswers({ answers }: { answers: Answers }) {
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
    <section className="flex flex-col gap-1.5 border-base-300 border-t pt-4 first:border-t-0 first:pt-0">
      <h2 className="font-semibold text-base">{title}</h2>
      {children}
    </section>
  )
}
