import { X } from 'lucide-react'
import { useState } from 'react'
import { packQuestion, unpackQuestion, type WrittenQuestion } from '~/codecs/question'
import { useSettings } from '~/live/use-live'
import { MAX_QUESTIONS } from '~/storage'
import { IconButton } from '~/ui/icon-button'
import { TextBox } from '~/ui/parts'
import { SentencePart } from '~/ui/sentence-part'
import { plural } from '~/words/figures'

/** Questions that are kept by name: asked again, added to, removed. */
export function KeptQuestions({
  question,
  onAsk,
}: {
  question: WrittenQuestion
  onAsk: (question: WrittenQuestion) => void
}) {
  const { settings, change } = useSettings()
  const { questions } = settings
  const [name, setName] = useState('')
  const keep = () => {
    const kept = { name: name.trim(), question: packQuestion(question) }
    if (kept.name === '') return
    const others = questions.filter((one) => one.name !== kept.name)
    change({ questions: [...others, kept].slice(-MAX_QUESTIONS) })
    setName('')
  }
  const ask = (packed: string) => {
    const read = unpackQuestion(packed)
    if (read) onAsk(read)
  }
  return (
    <SentencePart
      id="finder-kept"
      label="Kept questions"
      shortcut="questions by name"
      words={
        questions.length === 0 ? 'Keep this question' : plural(questions.length, 'kept question')
      }
    >
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault()
          keep()
        }}
      >
        <TextBox
          label="Name of this question"
          className="w-0 grow"
          placeholder="a name for this question"
          maxLength={60}
          value={name}
          onType={setName}
        />
        <button
          type="submit"
          className="btn btn-outline border-base-300 btn-sm font-normal"
          disabled={name.trim() === ''}
        >
          Keep
        </button>
      </form>
      {questions.length > 0 && (
        <ul aria-label="Kept questions" className="flex max-h-60 flex-col overflow-y-auto">
          {questions.map((one) => (
            <li key={one.name} className="flex items-center gap-2">
              <button
                type="button"
                dir="auto"
                className="link min-w-0 grow truncate text-left text-sm"
                onClick={() => ask(one.question)}
              >
                {one.name}
              </button>
              <IconButton
                size="tiny"
                label={`Forget ${one.name}`}
                onClick={() =>
                  change({ questions: questions.filter((other) => other.name !== one.name) })
                }
              >
                <X size={14} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
    </SentencePart>
  )
}
