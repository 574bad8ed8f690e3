/** Usual feet, each a layer in the line's own notation. */
export const FEET: readonly (readonly [text: string, name: string])[] = [
  ['@1/4 H', 'Hi-hat foot on quarters'],
  ['@1/4 -H', 'Hi-hat foot on 2 and 4'],
  ['@1/8 H', 'Hi-hat foot on eighths'],
  ['@1/8 -H', 'Hi-hat foot off the beat'],
  ['@1/4 K', 'Kick on quarters'],
  ['@1/8 K', 'Kick on eighths'],
  ['@1/16 K-HKK-HK', 'Samba foot'],
  ['@1/8 KJ', 'Feet alternating'],
  ['@1/8 KJKKJKJJ', 'Paradiddle in the feet'],
]
