import type { Edit, FileEdits } from '../src/text/edit.ts'

/** The edits that turn the edited text back into the received one. */
export function invertEdits(text: string, file: FileEdits): FileEdits {
  let shift = 0
  const edits = file.edits.map((edit): Edit => {
    const start = edit.range.start + shift
    shift += edit.replacement.length - (edit.range.end - edit.range.start)
    return {
      ...edit,
      range: { start, end: start + edit.replacement.length },
      replacement: text.slice(edit.range.start, edit.range.end),
    }
  })
  return { path: file.path, length: file.length + shift, edits }
}
