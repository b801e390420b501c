import { Box, Text } from '@chakra-ui/react'
import { css } from '@codemirror/lang-css'
import { html } from '@codemirror/lang-html'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { Compartment, EditorState, type Range, RangeSetBuilder } from '@codemirror/state'
import { Decoration, type DecorationSet, EditorView, GutterMarker, gutter, lineNumbers } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { groupBy, syntaxOf } from '@undo-ink/core'
import { useEffect, useMemo, useRef } from 'react'
import { excerptOf } from './excerpt.ts'
import { count } from './words.ts'

/** One literal to be marked; its place in the received text. */
export interface SourceMark {
  readonly line: number
  readonly column: number
  readonly length: number
  readonly kind: 'here' | 'struck' | 'struck-here'
}

/** One row in the margin of a line, made anew for each view. */
export interface MarginNote {
  readonly line: number
  /** What of the line it is about: left out together with that; null: the line. */
  readonly column: number | null
  /** Says whether two notes look the same. */
  readonly key: string
  render(): HTMLElement
}

interface SourceViewProps {
  readonly path: string
  readonly text: string
  readonly marks: readonly SourceMark[]
  readonly notes: readonly MarginNote[]
  /** The place that is scrolled to. */
  readonly focus: Pick<SourceMark, 'line' | 'column'>
  /** Pixels */
  readonly marginWidth: number
  readonly label: string
}

const ROW = 22

/** Weight and slant instead of hues: the only hues on screen are the site's. */
const achromatic = HighlightStyle.define([
  { tag: tags.comment, fontStyle: 'italic', color: '#575757' },
  { tag: [tags.definitionKeyword, tags.modifier], fontWeight: '600' },
  { tag: [tags.tagName, tags.className, tags.labelName], fontWeight: '500' },
])

/** The notes of one line, one below the other. */
class NotesMarker extends GutterMarker {
  readonly notes: readonly MarginNote[]

  constructor(notes: readonly MarginNote[]) {
    super()
    this.notes = notes
  }

  override eq(other: NotesMarker): boolean {
    return keyOf(other.notes) === keyOf(this.notes)
  }

  override toDOM(): HTMLElement {
    const box = document.createElement('div')
    box.append(...this.notes.map((note) => note.render()))
    return box
  }
}

function keyOf(notes: readonly MarginNote[]): string {
  return notes.map(({ key }) => key).join('\n')
}

/** A received text, read only, with literals marked and notes in its margin. Columns stay as they are. */
export function SourceView({ text, marks, notes, focus, ...props }: SourceViewProps) {
  const { line, column } = focus
  const excerpt = useMemo(() => excerptOf(text, { line, column }), [text, line, column])
  const shownMarks = useMemo(
    () =>
      marks.flatMap((mark) => {
        const column = excerpt.columnOf(mark.line, mark.column)
        return column === null ? [] : [{ ...mark, column }]
      }),
    [marks, excerpt],
  )
  const shownNotes = useMemo(
    () =>
      groupBy(
        notes.filter(({ line, column }) => column === null || excerpt.columnOf(line, column) !== null),
        ({ line }) => line,
      ),
    [notes, excerpt],
  )
  return (
    <>
      {excerpt.longest === null ? null : (
        <Text px="3" py="1" fontSize="12px" borderBottomWidth="1px">
          <span aria-hidden>◆</span> The longest line has {count(excerpt.longest, 'character')}: only a part of it is
          shown.
        </Text>
      )}
      <TextView
        text={excerpt.text}
        marks={shownMarks}
        notes={shownNotes}
        focusOn={line}
        column={excerpt.columnOf(line, column) ?? 1}
        {...props}
      />
    </>
  )
}

type NotesByLine = ReadonlyMap<number, readonly MarginNote[]>

interface TextViewProps extends Omit<SourceViewProps, 'focus' | 'notes'> {
  readonly notes: NotesByLine
  readonly focusOn: number
  readonly column: number
}

function TextView({ path, text, marks, notes, focusOn, column, marginWidth, label }: TextViewProps) {
  const parent = useRef<HTMLDivElement>(null)
  const shown = useRef<EditorView>(null)
  useEffect(() => {
    if (!parent.current) return
    const view = new EditorView({
      parent: parent.current,
      state: EditorState.create({
        doc: text,
        extensions: [
          EditorState.readOnly.of(true),
          EditorView.editable.of(false),
          EditorView.contentAttributes.of({ tabindex: '0', 'aria-label': label }),
          lineNumbers(),
          EditorView.lineWrapping,
          syntaxOf(path) === 'html' ? html() : css(),
          syntaxHighlighting(achromatic),
          about.of([]),
          theme,
        ],
      }),
    })
    shown.current = view
    return () => view.destroy()
  }, [path, text, label])
  // The text stays as it is while another place of it is looked at.
  // biome-ignore lint/correctness/useExhaustiveDependencies: a view of another text has no marks yet
  useEffect(() => {
    const view = shown.current
    if (!view) return
    const line = lineIn(view)
    const extensions = [
      EditorView.decorations.of(decorationsOf(marks, notes, line)),
      marginOf(notes, marginWidth, line),
    ]
    view.dispatch({ effects: about.reconfigure(extensions) })
  }, [marks, notes, marginWidth, path, text, label])
  // biome-ignore lint/correctness/useExhaustiveDependencies: a view of another text stands at its beginning
  useEffect(() => {
    const view = shown.current
    if (!view) return
    const { from, to } = lineIn(view)(focusOn)
    const start = Math.min(to, from + column - 1)
    let wanted = true
    const below = Math.max(0, (notes.get(focusOn)?.length ?? 0) - 1) * ROW
    show(view, start, below, () => wanted)
    return () => {
      wanted = false
    }
  }, [focusOn, column, path, text, label])
  return <Box ref={parent} flex="1" h="100%" minH="0" overflow="hidden" css={{ '& .cm-editor': { height: '100%' } }} />
}

/** Heights of lines are guessed until they are drawn: how often a place is looked for anew where they turned out to be others. */
const LOOKS = 4

/** Scrolls the text, and nothing around it, so that a place stands in its middle. Lines are wrapped: each is read from its beginning. @param below pixels of room for notes at the end of its line */
function show(view: EditorView, at: number, below: number, wanted: () => boolean, looks = LOOKS): void {
  const { scrollDOM } = view
  view.requestMeasure({
    read: () => {
      // A line that is not in sight is not drawn: its place is told from how far along it the literal stands.
      const { from, to, top, height } = view.lineBlockAt(at)
      const along = to > from ? ((at - from) / (to - from)) * Math.max(0, height - below) : 0
      return top + along - scrollDOM.clientHeight / 2
    },
    write: (top) => {
      if (Math.abs(scrollDOM.scrollTop - top) < 1) return
      scrollDOM.scrollTop = top
      if (looks > 1) requestAnimationFrame(() => wanted() && show(view, at, below, wanted, looks - 1))
    },
  })
}

/** What is shown about a text: marks in it, notes beside it. */
const about = new Compartment()

function lineIn({ state: { doc } }: EditorView): LineAt {
  return (number) => doc.line(Math.min(number, doc.lines))
}

type LineAt = (number: number) => { from: number; to: number }

function decorationsOf(marks: readonly SourceMark[], notes: NotesByLine, line: LineAt): DecorationSet {
  const ranges: Range<Decoration>[] = marks.map(({ line: number, column, length, kind }) => {
    const { from } = line(number)
    return Decoration.mark({ class: `source-${kind}` }).range(from + column - 1, from + column - 1 + length)
  })
  for (const { line: number, kind } of marks) {
    if (kind !== 'struck') ranges.push(Decoration.line({ class: 'source-line-here' }).range(line(number).from))
  }
  // Several notes get their room below the line, so that notes never cover one another.
  for (const [number, { length }] of notes) {
    if (length > 1)
      ranges.push(
        Decoration.line({ attributes: { style: `padding-bottom:${(length - 1) * ROW}px` } }).range(line(number).from),
      )
  }
  return Decoration.set(ranges, true)
}

function marginOf(notes: NotesByLine, width: number, line: LineAt) {
  const builder = new RangeSetBuilder<GutterMarker>()
  for (const [number, some] of [...notes].toSorted(([a], [b]) => a - b)) {
    const { from } = line(number)
    builder.add(from, from, new NotesMarker(some))
  }
  const markers = builder.finish()
  return [
    gutter({ class: 'source-margin', side: 'after', markers: () => markers }),
    EditorView.theme({ '.source-margin': { width: `${width}px` } }),
  ]
}

const theme = EditorView.theme({
  '&': { fontSize: '13px', backgroundColor: 'transparent' },
  '.cm-scroller': { fontFamily: 'var(--chakra-fonts-mono)', lineHeight: `${ROW}px`, overflow: 'auto' },
  '.cm-gutters': { backgroundColor: 'var(--chakra-colors-sheet)', color: 'var(--chakra-colors-faint)', border: 'none' },
  '.cm-lineNumbers .cm-gutterElement': { paddingRight: '8px' },
  '.cm-gutters-after': { borderLeft: '1px solid var(--chakra-colors-strong)' },
  '.cm-content:focus-visible': { outline: '2px solid var(--chakra-colors-ink)', outlineOffset: '-2px' },
  '&.cm-focused': { outline: 'none' },
  '.source-line-here': { backgroundColor: 'var(--chakra-colors-tint)' },
  '.source-here': {
    outline: '2px solid var(--chakra-colors-ink)',
    outlineOffset: '1px',
    borderRadius: '2px',
    backgroundColor: '#fff',
  },
  '.source-struck, .source-struck-here': { textDecoration: 'line-through 2px' },
  '.source-struck-here': { outline: '2px solid var(--chakra-colors-ink)', outlineOffset: '1px', borderRadius: '2px' },
})
