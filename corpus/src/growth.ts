import {
  type Decision,
  follower,
  ledgerOf,
  listVariables,
  readSource,
  resolver,
  rewriteFile,
  wordsOf,
} from '@undo-ink/core'

/** Texts of a size whose time must grow with it, whatever stands in them: those in which one thing looks for another. */
const TEXTS: readonly (readonly [kind: string, path: string, size: number, text: (size: number) => string])[] = [
  ['selectors of one list', 'a.css', 20_000, (n) => `${times(n, (i) => `.a${i}:hover b`).join(',')}{color:#123456}`],
  ['rules', 'a.css', 10_000, (n) => times(n, (i) => `.a${i} b{color:#123456;background:var(--c${i})}`).join('\n')],
  ['variables', 'a.css', 20_000, (n) => `:root{${times(n, (i) => `--c${i}:var(--c${i + 1},#fff)`).join(';')}}`],
  ['comments that do not end', 'a.css', 1_000_000, (n) => '/*'.repeat(n)],
  ['comments behind a statement', 'a.css', 100_000, (n) => `@import "a.css"${'/* a */'.repeat(n)}`],
  ['brackets that do not end', 'a.css', 100_000, (n) => `a{color:${'rgb('.repeat(n)}`],
  ['braces that do not end', 'a.scss', 5_000, (n) => '.a{color:#123456;'.repeat(n)],
  ['braces that nothing opened', 'a.css', 200_000, (n) => '}'.repeat(n)],
  ['strings that do not end', 'a.css', 100_000, (n) => `a{b:"\n`.repeat(n)],
  ['words of a list', 'a.scss', 20_000, (n) => `$l: ${times(n, (i) => `(red, $a${i})`).join(', ')};`],
  ['elements', 'a.html', 5_000, (n) => '<div style="color:#123456"><p class="a">'.repeat(n)],
  ['comments of markup that do not end', 'a.html', 1_000_000, (n) => '<!-- '.repeat(n)],
  ['tags of a template', 'a.liquid', 5_000, (n) => `{% if a %}<p style="color:{{ b | default: '#fff' }}">`.repeat(n)],
  ['tags of a template that do not end', 'a.php', 50_000, (n) => '{{ <?php {% <% '.repeat(n)],
  ['braces of a component that do not end', 'a.svelte', 50_000, (n) => '<p title={ <!--'.repeat(n)],
  ['values in braces', 'a.svelte', 2_000, (n) => '<p class={a} style:color={b ? "#123456" : c}>'.repeat(n)],
  [
    'texts that a script puts together',
    'a.js',
    5_000,
    (n) => `x.innerHTML = ${times(n, (i) => `'<p style="color:#123456' + a${i}`).join(' + ')}`,
  ],
  [
    'rules in many style elements',
    'a.html',
    3_000,
    (n) => times(n, (i) => `<style>.a${i}{color:#123456}</style>`).join(''),
  ],
  ['tags that are nested wrongly', 'a.html', 5_000, (n) => '<b style="color:#123456"><i>a</b></i><p>'.repeat(n)],
  ['rows of tables', 'a.html', 5_000, (n) => `<table>${'<tr bgcolor="#123456"><td>a<table>'.repeat(n)}`],
  ['settings in YAML, nested', 'a.yml', 200, (n) => `${'{a: '.repeat(n)}"#123456"${'}'.repeat(n)}`],
  ['settings in YAML', 'a.yml', 5_000, (n) => times(n, (i) => `a${i}:\n  color: "#123456"`).join('\n')],
  [
    'colors for light and dark',
    'a.css',
    10_000,
    (n) => `a{background:${times(n, () => 'light-dark(#123,#abc)').join(',')}}`,
  ],
  ['short colors', 'a.css', 50_000, (n) => `a{background:${'#123 '.repeat(n)}}`],
  ['styles of a script', 'a.ts', 5_000, (n) => times(n, (i) => `x${i}.style.color = '#123456' as const`).join('\n')],
]

/** Pages in which each element meets each rule. */
const PAGES: readonly (readonly [kind: string, size: number, page: (size: number) => string])[] = [
  [
    'rules that each element is tried with',
    1000,
    (n) =>
      pageOf(
        n,
        (i) => `[a="${i}"]`,
        (i) => `a=${i}`,
      ),
  ],
  [
    'rules for the same elements',
    1000,
    (n) =>
      pageOf(
        n,
        () => '.a',
        () => 'class=a',
      ),
  ],
  [
    'rules about siblings',
    1000,
    (n) =>
      pageOf(
        n,
        (i) => `p:nth-child(${i}n + 2)`,
        () => '',
      ),
  ],
]

function pageOf(size: number, selector: (index: number) => string, attribute: (index: number) => string): string {
  const rules = times(size, (i) => `${selector(i)}{color:#123456;background:#abc}`)
  return `<style>${rules.join('')}</style>${times(size, (i) => `<p ${attribute(i)}>${i}`).join('')}`
}

function times<T>(count: number, of: (index: number) => T): T[] {
  return Array.from({ length: count }, (_, i) => of(i))
}

/** What is done at some size, prepared so that doing it is all that takes time. */
export interface Growing {
  readonly name: string
  readonly prepare: (factor: number) => () => void
}

/** Reading each of the texts; and writing a plan in which every place has a decision of its own, parts and wider decisions among them. */
export const GROWING: readonly Growing[] = [
  ...TEXTS.map(([kind, path, size, text]) => ({
    name: `reading ${kind}`,
    prepare(factor: number) {
      const source = { path, text: text(size * factor), encoding: 'utf-8' } as const
      return () => void readSource(source)
    },
  })),
  ...PAGES.map(([kind, size, page]) => ({
    name: `looking for the words of a page with ${kind}`,
    prepare(factor: number) {
      const text = page(size * factor)
      const file = { path: 'a.html', text, encoding: 'utf-8' } as const
      const reading = readSource(file)
      const ledger = ledgerOf([{ path: file.path, ...reading }])
      const endsOf = follower(listVariables([{ path: file.path, reading }]))
      return () => void wordsOf([{ ...file, files: [file.path] }], ledger, endsOf)
    },
  })),
  {
    name: 'writing a decision for each place',
    prepare(factor) {
      const text = times(2000 * factor, (i) => `.a${i}, .b${i}:hover{color:${hex(i)};border:1px solid ${hex(i)}}`).join(
        '\n',
      )
      const source = { path: 'a.css', text, encoding: 'utf-8' } as const
      const { occurrences } = readSource(source)
      const decisions = times(2000 * factor, (i): Decision => {
        const scope = i % 3 === 0 ? { selector: `.a${i}` } : {}
        return { id: String(i), target: { colors: [hex(i)], scope }, to: { kind: 'role', role: 'r' } }
      })
      const plan = {
        resolver: resolver(decisions, [{ id: 'r', name: 'r', color: '#abcdef' }]),
        corrections: [],
        insertions: [],
      }
      return () => void rewriteFile(source, occurrences, plan)
    },
  },
]

function hex(index: number): string {
  return `#${(index + 0x100000).toString(16)}`
}
