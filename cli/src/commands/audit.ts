import type { AuditDocument } from '@undo-ink/contracts'
import type { Range } from '@undo-ink/core'
import { readFolder } from '../read-folder.ts'
import { auditText } from '../text.ts'

/** Lists every hard-coded color of a folder. */
export async function audit(folder: string, format: 'text' | 'json'): Promise<string> {
  const document = await auditFolder(folder)
  return format === 'json' ? `${JSON.stringify(document, null, 2)}\n` : auditText(document)
}

export async function auditFolder(folder: string): Promise<AuditDocument> {
  const document: AuditDocument = { version: 1, root: folder, files: [], occurrences: [], keywords: [], findings: [] }
  for await (const { path, syntax, encoding, bytes, skipped, reading } of readFolder(folder)) {
    document.files.push({ path, syntax, encoding, bytes: bytes.length, ...(skipped ? { skipped } : {}) })
    for (const each of reading?.occurrences ?? []) document.occurrences.push(inFile(path, each))
    for (const each of reading?.keywords ?? []) document.keywords.push(inFile(path, each))
    for (const each of reading?.findings ?? []) document.findings.push(inFile(path, each))
  }
  return document
}

function inFile<T extends { readonly range: Range }>(file: string, { range, ...rest }: T) {
  return { file, start: range.start, end: range.end, ...rest }
}
