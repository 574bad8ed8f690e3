import { showControls } from '~/core/foundation'

/** Longest title that is kept. */
const LONGEST_TITLE = 200

/**
 * A title as the format can carry it: one row, blanks at its ends dropped, and a space before `#`,
 * which would begin a comment, made a no-break space. Looks the same; the same again when repeated.
 *
 * @example normalTitle('  High   Wire ') // 'High Wire'
 */
export function normalTitle(title: string): string {
  const row = title.replace(/[\r\n\t ]+/g, ' ')
  return withoutComments(showControls([...row].slice(0, LONGEST_TITLE).join('')))
}

/**
 * Tags from a row with commas: blanks dropped, empty and repeated ones left out.
 *
 * @example splitTags('fives, circus') // ['fives', 'circus']
 */
export function splitTags(row: string): string[] {
  const tags = row
    .split(',')
    .map((tag) => withoutComments(showControls(tag.replace(/[\r\n\t ]+/g, ' '))))
  return [...new Set(tags.filter((tag) => tag !== ''))]
}

function withoutComments(text: string): string {
  return text.trim().replace(/(^| )#/g, '\u00A0#')
}
