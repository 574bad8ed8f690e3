/**
 * Characters that are not seen but turn the order of what is around them, or hide in it: the marks,
 * embeddings, overrides and isolates of the Unicode bidirectional algorithm (UAX 9), and the invisible
 * ones that make two names look the same.
 */
const CONTROLS =
  // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
  /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\u061C\u200B-\u200F\u2028-\u202E\u2060-\u2069\uFEFF]/g

/**
 * A text in which such characters are shown by their number instead of being obeyed. Law: the same
 * again when repeated. Example: `U+202E` before `abc` gives `⟨202E⟩abc`.
 */
export function showControls(text: string): string {
  return text.replace(CONTROLS, (found) => `⟨${hex(found)}⟩`)
}

function hex(character: string): string {
  return (character.codePointAt(0) ?? 0).toString(16).toUpperCase().padStart(4, '0')
}
