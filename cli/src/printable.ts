/** Control characters but for tabs and ends of lines: what terminals act on, wherever it comes from. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are what is looked for
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]|\r(?!\n)/g

/** A text with its control characters written out, as JSON writes them: a name of a file gives no terminal an order. */
export function printable(text: string): string {
  return text.replace(CONTROL, (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`)
}
