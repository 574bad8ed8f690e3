import type { Phrase } from '~/core/changes'
import { formatPhrase } from '~/core/changes'

/** A phrase on its way by drag: plain lick text, so that it can be dropped anywhere. */
export function dragPhrase(transfer: DataTransfer, phrase: Phrase): void {
  transfer.effectAllowed = 'copy'
  transfer.setData('text/plain', formatPhrase(phrase))
}
