import { Note } from '../../components/note.tsx'
import { count, shownPath } from '../../components/words.ts'
import { useCopy } from '../../work/work.tsx'
import { byFile, type PlannedChange } from './rewriting/planned-changes.ts'

/** Changes that somebody else's next version or build would undo: in third-party code that was taken in, and in sheets that are made from others. */
export function LostLater({ all }: { all: readonly PlannedChange[] }) {
  const { snapshot } = useCopy()
  const files = new Map(snapshot.files.map((file) => [file.path, file]))
  const groups = byFile(all).map(({ key, changes }) => ({ path: key, changes: changes.length, file: files.get(key) }))
  const foreign = groups.filter(({ file }) => file?.thirdParty)
  const made = groups.filter(({ file }) => file?.generatedFrom)
  const sum = (some: typeof groups) => some.reduce((total, { changes }) => total + changes, 0)
  return (
    <>
      {foreign.length > 0 ? (
        <Note shape="◆" title={`${count(sum(foreign), 'change')} in third-party code`}>
          The next update of {foreign.length === 1 ? 'this file' : 'these files'} loses them:{' '}
          {listed(foreign.map(({ path }) => shownPath(path)))}.
        </Note>
      ) : null}
      {made.length > 0 ? (
        <Note shape="◆" title={`${count(made.length, 'sheet')} made from others`}>
          {listed(
            made.map(({ path, file }) => `${shownPath(path)}, made from ${shownPath(file?.generatedFrom ?? '')}`),
          )}
          : the next build overwrites {made.length === 1 ? 'it' : 'them'}, and takes what its source has.
        </Note>
      ) : null}
    </>
  )
}

const MOST_NAMED = 3

function listed(names: readonly string[]): string {
  const more = names.length - MOST_NAMED
  return `${names.slice(0, MOST_NAMED).join('; ')}${more > 0 ? ` and ${count(more, 'other')}` : ''}`
}
