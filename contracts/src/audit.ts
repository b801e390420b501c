import {
  type ApartReading,
  type Behavior,
  CONFIDENCES,
  type Computed,
  EVIDENCES,
  FINDING_CODES,
  type Inner,
  type Keyword,
  NOTATIONS,
  type Occurrence,
  type PackedApart,
  type PackedColumn,
  type PackedTable,
  type PlacedFinding,
  type Remedy,
  readingsApart,
  type SitePages,
  STATES,
  USES,
  type Variable,
} from '@undo-ink/core'
import * as z from 'zod'
import type { Same } from './mirror.ts'

export const useSchema = z.enum(USES).describe('What an occurrence paints')

export const stateSchema = z.enum(STATES).describe('A state that a selector asks for')

export const notationSchema = z
  .enum(NOTATIONS)
  .describe('How a color is written; `bare-hex`: digits without `#`; `-channels`: bare channels in a variable')

const range = z
  .strictObject({ start: z.int().min(0), end: z.int().min(0) })
  .readonly()
  .describe('Half-open, in UTF-16 units of the decoded text')

const index = z.int().min(0)

const place = {
  range,
  line: z.int().min(1).describe('From 1'),
  column: z.int().min(1).describe('From 1, in UTF-16 units'),
}

export const evidenceSchema = z
  .enum(EVIDENCES)
  .describe('By what a text was taken for a color where no language of colors says so')

/** Where a place that paints stands. */
const standing = {
  property: z.string(),
  use: useSchema,
  selector: z.string().nullable().describe('The selector list, nesting resolved; null outside rules'),
  subjects: z.array(z.string()).readonly().describe('Subject of each selector of the list'),
  signals: z
    .array(z.string())
    .readonly()
    .describe('What the selectors ask for that may be a state, as they write it: `:hover`, `.is-open`, `[open]`'),
  specificity: z
    .tuple([z.int(), z.int(), z.int()])
    .readonly()
    .nullable()
    .describe('The strongest of the list: ids, classes, types'),
  atRules: z.array(z.string()).readonly().describe('From the outermost in'),
  important: z.boolean(),
}

const context = {
  ...standing,
  heading: z.string().nullable().describe('The comment under which the rule stands'),
  variable: z.string().nullable().describe('The variable that the value defines, with its sigil'),
  opacity: z.number().min(0).max(1).nullable().describe('The `opacity` that the same rule declares'),
  literalOnly: z
    .boolean()
    .describe('Whether the place takes no `var()`: a meta element, a manifest, `bgcolor`, a canvas'),
  evidence: evidenceSchema.nullable().describe('By what it was taken for a color; null: its language says so'),
}

export const innerSchema = z
  .discriminatedUnion('encoding', [
    z.strictObject({ encoding: z.literal('plain-scalar') }).readonly(),
    z.strictObject({ encoding: z.literal('percent') }).readonly(),
    z.strictObject({ encoding: z.literal('base64'), range: range.describe('Within the decoded payload') }).readonly(),
  ])
  .describe(
    'How a literal is written whose text is not plain: in an encoded drawing (base64: the range beside it is that of the payload), or in YAML without quotes',
  )
true satisfies Same<z.infer<typeof innerSchema>, Inner>

export const occurrenceSchema = z
  .strictObject({
    ...place,
    raw: z.string().describe('Exactly the text of the range'),
    ...context,
    notation: notationSchema,
    color: z.string().describe('`#rrggbb`, or `color(srgb r g b)` outside the sRGB gamut'),
    alpha: z.number().min(0).max(1).nullable().describe('null: a variable'),
    functions: z.array(z.string()).readonly().describe('The functions around it, outermost first'),
    computedWith: z.string().nullable().describe('The function around it that makes another color of it'),
    confidence: z.enum(CONFIDENCES).describe('How sure it is that the text is a color'),
    isWhole: z.boolean().describe('Whether it is all of its value, `!important` aside'),
    inner: innerSchema.nullable().describe('Set where it stands in a drawing that is encoded in the file'),
  })
  .describe('One hard-coded color')
true satisfies Same<z.infer<typeof occurrenceSchema>, Occurrence>

export const keywordSchema = z
  .strictObject({
    ...place,
    raw: z.string(),
    ...context,
    keyword: z.string().describe('In lower case'),
    source: z
      .strictObject({
        element: z.string().describe('The element that sets its own `color`, or that rules reach'),
        range: range.nullable().describe('Where it sets it; null: nowhere'),
      })
      .readonly()
      .nullable()
      .describe('What gives `currentColor` its color, in attributes'),
  })
  .describe('`transparent`, `currentColor` or a system color')
true satisfies Same<z.infer<typeof keywordSchema>, Keyword>

export const computedSchema = z
  .strictObject({ ...place, raw: z.string(), ...context, computedBy: z.string().describe('In lower case') })
  .describe('A color made of variables where it stands')
true satisfies Same<z.infer<typeof computedSchema>, Computed>

const inFile = { ...place, raw: z.string(), file: z.string().describe('Path from the root') }

export const variableSchema = z
  .strictObject({
    name: z.string().describe('With its sigil'),
    definitions: z
      .array(
        z.strictObject({
          ...inFile,
          name: z.string(),
          selector: z.string().nullable(),
          atRules: z.array(z.string()).readonly(),
        }),
      )
      .readonly(),
    references: z
      .array(
        z.strictObject({
          ...inFile,
          name: z.string(),
          ...standing,
          variable: z.string().nullable().describe('The variable that the value defines: a link of a chain'),
          channelsOf: z
            .enum(['rgb', 'hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch'])
            .nullable()
            .describe('The color function whose channels the variable is'),
          taken: z
            .enum(['plain', 'made', 'listed'])
            .describe('As it is, as something that a function makes of it, or in brackets as one of a list or a sum'),
        }),
      )
      .readonly(),
    uses: z.int().min(0).describe('Places that take its value in the end, through other variables too'),
  })
  .describe('A variable that carries a color')
true satisfies Same<z.infer<typeof variableSchema>, Variable>

export const findingCodeSchema = z.enum(FINDING_CODES).describe('What is odd')

export const remedySchema = z
  .strictObject({
    ...place,
    raw: z.string().describe('Exactly the text of the range'),
    replacement: z.string().describe('A color, or the name of a property'),
    use: useSchema.describe('What the place would paint'),
  })
  .describe('The one change of text that puts a finding right')
true satisfies Same<z.infer<typeof remedySchema>, Remedy>

export const findingSchema = z
  .strictObject({
    ...place,
    code: findingCodeSchema,
    excerpt: z.string().describe('The text at the place'),
    meaning: z.string().nullable().describe('What was likely meant'),
    remedy: remedySchema.nullable().describe('null: nobody can tell, or it cannot be written there'),
  })
  .describe('Something odd in a received text')
true satisfies Same<z.infer<typeof findingSchema>, PlacedFinding>

const trigger = z.enum(['scroll', 'hover', 'focus', 'press', 'click']).describe('When the script acts')
const element = z.string().nullable().describe('As a selector, or the expression that the script names it by')
const threshold = z.number().nullable().describe('Pixels scrolled; null: no scrolling, or not written out')

export const behaviorSchema = z
  .discriminatedUnion('kind', [
    z.strictObject({
      ...place,
      raw: z.string(),
      kind: z.literal('recolor'),
      trigger,
      element,
      property: z.string(),
      threshold,
      above: z.string().nullable().describe('The color past the threshold, or while it lasts; null: none is set'),
      below: z.string().nullable().describe('The color before, or when it is over'),
    }),
    z.strictObject({
      ...place,
      raw: z.string(),
      kind: z.literal('class'),
      trigger,
      element,
      className: z.string(),
      threshold,
      change: z.enum(['add', 'remove', 'toggle']),
    }),
  ])
  .describe('What a script does to a color or a class while a visitor scrolls, points, focuses or clicks')
true satisfies Same<z.infer<typeof behaviorSchema>, Behavior>

export const sitePagesSchema = z
  .strictObject({
    pages: z
      .array(
        z.strictObject({
          path: z.string(),
          sheets: z
            .array(
              z.strictObject({
                kind: z.enum(['link', 'import', 'style']),
                file: z.string().nullable().describe('null: none of the files'),
                target: z.string().describe('As written; empty for a style element'),
                namedIn: z.string(),
                line: z.int().min(1),
                media: z.array(z.string()).readonly().describe('All must hold'),
                condition: z.string().nullable().describe('`lt IE 9`, `noscript`, `template`'),
                applies: z.enum(['always', 'alternate', 'disabled']),
              }),
            )
            .readonly()
            .describe('In the order of the cascade'),
          parts: z.array(z.string()).readonly().describe('The templates that it is put together from'),
          scripts: z.array(z.string()).readonly(),
          files: z.array(z.string()).readonly().describe('Every file that it reaches'),
          hook: z.string().nullable().describe('A selector of its root that no other page has'),
          isDocument: z.boolean().describe('Whether it can be shown as it is'),
        }),
      )
      .readonly(),
    unused: z
      .array(z.strictObject({ path: z.string(), namedBy: z.array(z.string()).readonly() }))
      .readonly()
      .describe('Files that no page reaches'),
    leftOut: z
      .array(
        z.strictObject({
          path: z.string(),
          pages: z.array(z.string()).readonly().describe('Paths of the pages that load it'),
          places: z.int().min(0).nullable().describe('Places that stand in it; null: it cannot be read'),
          colors: z.array(z.string()).readonly().describe('Opaque keys of these places, each once'),
        }),
      )
      .readonly()
      .describe('Sheets that pages load and that are not read'),
  })
  .describe('Which page is made of which files')
true satisfies Same<z.infer<typeof sitePagesSchema>, SitePages>

/** Millions of numbers: one check of a schema for each would take seconds. */
const numbersSchema = z.custom<readonly number[]>((given) => Array.isArray(given) && given.every(Number.isFinite))
const codesSchema = z.custom<readonly number[]>(
  (given) => Array.isArray(given) && given.every((code) => Number.isSafeInteger(code) && code >= 0),
)
const columnSchema = z.union([
  z.strictObject({ all: z.unknown() }),
  z.strictObject({ numbers: numbersSchema }),
  z.strictObject({ values: z.array(z.unknown()).readonly(), codes: codesSchema }),
])
const tableSchema = z
  .strictObject({ length: index, names: z.array(z.string()).readonly(), columns: z.record(z.string(), columnSchema) })
  .describe('Rows in columns: the same in all, numbers, or codes of values that stand once')

/** What is known of a snapshot beside its places, which are in its ledger. */
export interface Audit {
  /** What scripts do and what is found in each file; files that hold nothing beside places are left out. */
  readonly readings: PackedApart['readings']
  /** Places that take another color. */
  readonly taking: number
  /** The same files with those places, put together anew each time: of a large site they are many. */
  wholeReadings(): readonly ApartReading[]
  readonly pages: SitePages
  /** The variables without what defines and takes them. */
  readonly variables: PackedApart['variables']
  /** All of it as it came: a worker that needs more reads it there, and sending it takes no time, as that of its objects would. */
  readonly bytes: Uint8Array
}

/** As it is sent: selectors and conditions stand once, or what a rule of many selectors and colors has would be its square. */
export const packedAuditSchema = z
  .strictObject({
    packed: z.strictObject({ rules: tableSchema, lists: z.record(z.string(), tableSchema) }),
    readings: z
      .array(z.strictObject({ path: z.string(), behaviors: z.array(behaviorSchema), findings: z.array(findingSchema) }))
      .describe('By path; files that hold nothing of it are left out'),
    variables: z.array(variableSchema.pick({ name: true, uses: true })).describe('By name'),
    pages: sitePagesSchema,
  })
  .describe('What is known of a snapshot beside its places, which are in its ledger')

const { definitions, references } = variableSchema.shape
const listed: Readonly<Record<string, z.ZodObject>> = {
  keywords: keywordSchema.extend({ path: z.string() }),
  computed: computedSchema.extend({ path: z.string() }),
  definitions: definitions.unwrap().element.extend({ of: index }),
  references: references.unwrap().element.extend({ of: index }),
}

const { selector, subjects, signals, specificity, atRules, heading, literalOnly, evidence } = keywordSchema.shape
const ruleSchema = z.strictObject({
  ...{ selector, subjects, signals, specificity, atRules, heading, evidence },
  literalOnly: literalOnly.nullable(),
})

/** An audit as it is sent. Throws for what is none. @param bytes JSON in UTF-8 */
export function readAudit(bytes: Uint8Array): Audit {
  const { pages, ...packed } = packedAuditSchema.parse(apartIn(bytes))
  const { rules, lists } = packed.packed
  // A rule of what tells only a part of it has nothing for the rest.
  checkTable(rules, ruleSchema, rules.length)
  for (const [name, schema] of Object.entries(listed)) {
    const table = lists[name]
    if (!table) throw new Error(`the audit has no ${name}`)
    checkTable(table, schema, rules.length)
  }
  const { readings, variables } = packed
  const taking = (lists.keywords?.length ?? 0) + (lists.computed?.length ?? 0)
  return { readings, taking, wholeReadings: () => readingsApart(packed), pages, variables, bytes }
}

/** What stands in the bytes of an audit that has been read before. */
export function apartIn(bytes: Uint8Array): PackedApart {
  return JSON.parse(new TextDecoder().decode(bytes))
}

/** The values of a column that have to be checked: of whole numbers the ends, between which each is as good. */
function valuesOf(column: PackedColumn): Iterable<unknown> {
  if ('all' in column) return [column.all]
  if ('values' in column) return column.values
  const { numbers } = column
  if (!numbers.every(Number.isSafeInteger)) return new Set(numbers)
  const ends = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY] as [number, number]
  for (const number of numbers) {
    if (number < ends[0]) ends[0] = number
    if (number > ends[1]) ends[1] = number
  }
  return numbers.length === 0 ? [] : ends
}

/** Each distinct value is checked once. Throws for a table that is none. */
function checkTable({ length, names, columns }: PackedTable, { shape }: z.ZodObject, rules: number): void {
  for (const [name, column] of Object.entries(columns)) {
    const schema =
      name === 'start' || name === 'end' || name === 'rule' ? index : (shape[name] as z.ZodType | undefined)
    if (!schema) throw new Error(`the audit knows no ${name}`)
    const codes = 'codes' in column ? column.codes : 'numbers' in column ? column.numbers : null
    for (const value of valuesOf(column)) schema.parse(value)
    if (codes && codes.length !== length) throw new Error(`${name} of the audit has not one value for each row`)
    const most = name === 'rule' ? rules : 'codes' in column ? column.values.length : Number.POSITIVE_INFINITY
    if (codes?.some((code) => code >= most)) throw new Error(`${name} of the audit leads nowhere`)
  }
  const isWhole = names.every((name) => name === 'range' || columns[name] || columns.rule)
  if (length > 0 && !isWhole) throw new Error('a table of the audit lacks a column')
}

export const fileTextSchema = z
  .strictObject({ path: z.string(), text: z.string().describe('Decoded, without its mark') })
  .describe('The text of one file as it was received')
export type FileText = z.infer<typeof fileTextSchema>
