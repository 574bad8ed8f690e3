import { faultWords } from '../fault-words'
import { dataOf, kitSchema } from './kit'

/** What is wrong with a text that is no kit file, in words; empty where nothing is. */
export function kitFault(json: string): string {
  const data = dataOf(json)
  if (data === undefined) return 'This is not a kit file: it is not valid JSON, or it is cut off.'
  const read = kitSchema.safeParse(data)
  return read.success ? '' : faultWords(read.error.issues, 'a kit file')
}
