import { Box, Text } from '@chakra-ui/react'
import { css } from '@codemirror/lang-css'
import { html } from '@codemirror/lang-html'
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language'
import { Compartment, EditorState, type Range, RangeSetBuilder } from '@codemirror/state'
import { Decoration, type DecorationSet, EditorView, GutterMarker, gutter, lineNumbers } from '@codemirror/view'
import { tags } from '@lezer/highlight'
import { syntaxOf } from '@undo-ink/core'
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

/** What stands in the margin of one line, made anew for each view. */
export interface MarginNote {
  readonly line: number
  /** Says whether two notes look the same. */
  readonly key: string
  /** Lines of text that the note needs. */
  readonly rows: number
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

class NoteMarker extends GutterMarker {
  readonly note: MarginNote

  constructor(note: MarginNote) {
    super()
    this.note = note
  }

  override eq(other: NoteMarker): boolean {
    return other.note.key === this.note.key
  }

  override toDOM(): HTMLElement {
    return this.note.render()
  }
}

/** A received text, read only, with literals marked and notes in its margin. Columns stay as they are. */
export function SourceView({ text, marks, focus, ...props }: SourceViewProps) {
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
  return (
    <>
      {excerpt.longest === null ? null : (
        <Text px="3" py="1" fontSize="12px" borderBottom="1px solid" borderColor="edge">
          <span aria-hidden>◆</span> The longest line has {count(excerpt.longest, 'character')}: only a part of it is
          shown.
        </Text>
      )}
      <TextView
        text={excerpt.text}
        marks={shownMarks}
        focusOn={line}
        column={excerpt.columnOf(line, column) ?? 1}
        {...props}
      />
    </>
  )
}

interface TextViewProps extends Omit<SourceViewProps, 'focus'> {
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
    show(view, start)
  }, [focusOn, column, path, text, label])
  return <Box ref={parent} flex="1" h="100%" minH="0" overflow="hidden" css={{ '& .cm-editor': { height: '100%' } }} />
}

/** Scrolls the text, and nothing around it, so that a place stands in its middle. Lines are wrapped: each is read from its beginning. */
function show(view: EditorView, at: number): void {
  const { scrollDOM } = view
  view.requestMeasure({
    read: () => {
      // A line that is not in sight is not drawn: its place is told from how far along it the literal stands.
      const { from, to, top, height } = view.lineBlockAt(at)
      const along = to > from ? ((at - from) / (to - from)) * height : 0
      return top + along - scrollDOM.clientHeight / 2
    },
    write: (top) => {
      scrollDOM.scrollTop = top
    },
  })
}

/** What is shown about a text: marks in it, notes beside it. */
const about = new Compartment()

function lineIn({ state: { doc } }: EditorView): LineAt {
  return (number) => doc.line(Math.min(number, doc.lines))
}

type LineAt = (number: number) => { from: number; to: number }

function decorationsOf(marks: readonly SourceMark[], notes: readonly MarginNote[], line: LineAt): DecorationSet {
  const ranges: Range<Decoration>[] = marks.map(({ line: number, column, length, kind }) => {
    const { from } = line(number)
    return Decoration.mark({ class: `source-${kind}` }).range(from + column - 1, from + column - 1 + length)
  })
  for (const { line: number, kind } of marks) {
    if (kind !== 'struck') ranges.push(Decoration.line({ class: 'source-line-here' }).range(line(number).from))
  }
  // A note of several rows gets its room below the line, so that notes never cover one another.
  for (const { line: number, rows } of notes) {
    if (rows > 1)
      ranges.push(
        Decoration.line({ attributes: { style: `padding-bottom:${(rows - 1) * ROW}px` } }).range(line(number).from),
      )
  }
  return Decoration.set(ranges, true)
}

function marginOf(notes: readonly MarginNote[], width: number, line: LineAt) {
  const builder = new RangeSetBuilder<GutterMarker>()
  for (const note of notes.toSorted((a, b) => a.line - b.line)) {
    const { from } = line(note.line)
    builder.add(from, from, new NoteMarker(note))
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
