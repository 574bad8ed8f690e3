import { frameOf } from '~/codecs/question'
import { spaceOf } from '~/core/finder'
import { useCounting } from '~/live/use-setting'
import { SentencePart } from '~/ui/sentence-part'
import {
  accentsWords,
  bearsWords,
  cellsWords,
  endsWords,
  formsWords,
  kicksWords,
  orderWords,
  spaceWords,
  tasteWords,
} from '~/words/finder-words'

import { MadeOfFields } from './cell-fields'
import {
  AccentFields,
  BearFields,
  EndFields,
  FormFields,
  KickFields,
  OrderFields,
  type PartProps,
  SpaceFields,
  TasteFields,
} from './question-fields'

/** The question as one sentence, each part of which is edited where it stands. */
export function QuestionSentence(props: PartProps) {
  const { question } = props
  const counting = useCounting()
  const lick = frameOf(question)
  return (
    <p className="text-lg leading-9">
      Fill{' '}
      <SentencePart
        whole
        id="finder-space"
        label="Space"
        shortcut="where it stands"
        words={spaceWords(question, counting)}
      >
        {lick && <SpaceFields {...props} lick={lick} counting={counting} />}
      </SentencePart>{' '}
      with{' '}
      <SentencePart
        whole
        id="finder-cells"
        label="Cells"
        shortcut="what it is made of"
        words={cellsWords(question)}
      >
        <MadeOfFields {...props} slots={lick ? (spaceOf(lick)?.slots.length ?? 0) : 0} />
      </SentencePart>
      {!question.pattern && <GroupParts {...props} />}. It{' '}
      <SentencePart
        whole
        id="finder-ends"
        label="Start and end"
        shortcut="how it starts, ends and lands"
        words={endsWords(question)}
      >
        <EndFields {...props} />
      </SentencePart>
      , has{' '}
      <SentencePart
        whole
        id="finder-accents"
        label="Accents"
        shortcut="where accents are"
        words={accentsWords(question, counting)}
      >
        {lick && <AccentFields {...props} lick={lick} counting={counting} />}
      </SentencePart>
      {question.pattern?.put !== 'kick' && <KickPart {...props} />}, and{' '}
      <SentencePart
        whole
        id="finder-bears"
        label="Playing"
        shortcut="what hands and feet have to bear"
        words={bearsWords(question)}
      >
        <BearFields {...props} />
      </SentencePart>
      . {tasteWords(question) === '' ? 'They come' : 'First come those with'}{' '}
      <SentencePart
        whole
        id="finder-taste"
        label="Taste"
        shortcut="what is liked"
        words={tasteWords(question) || 'in no order of liking'}
      >
        <TasteFields {...props} />
      </SentencePart>
      .
    </p>
  )
}

/** How cells are put together: what counts as one, and how they follow each other. */
function GroupParts(props: PartProps) {
  const { question } = props
  return (
    <>
      ,{' '}
      <SentencePart
        whole
        id="finder-forms"
        label="Forms"
        shortcut="what counts as a cell"
        words={formsWords(question)}
      >
        <FormFields {...props} />
      </SentencePart>{' '}
      and{' '}
      <SentencePart
        whole
        id="finder-order"
        label="Order"
        shortcut="how groups follow each other"
        words={orderWords(question)}
      >
        <OrderFields {...props} />
      </SentencePart>
    </>
  )
}

/** How many kicks; a pattern of kicks says that itself. */
function KickPart(props: PartProps) {
  return (
    <>
      {' '}
      and{' '}
      <SentencePart
        whole
        id="finder-kicks"
        label="Kicks"
        shortcut="how many kicks"
        words={kicksWords(props.question)}
      >
        <KickFields {...props} />
      </SentencePart>
    </>
  )
}
