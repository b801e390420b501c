import { execFileSync } from 'node:child_process'
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type AuditDocument, auditDocumentSchema, checkDocumentSchema } from '@undo-ink/contracts'
import { listVariables, type Reading, type Reference } from '@undo-ink/core'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { FORMATS } from '../src/audit/formats.ts'
import { draftThreads } from '../src/audit/threads.ts'
import { readFolder, readWalked } from '../src/read-folder.ts'
import { run as call } from '../src/run.ts'
import { walk, whyOf } from '../src/walk.ts'

const DEMO = join(import.meta.dirname, '../../demo/site')
let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'undo-ink-cli-'))
})
afterEach(() => rmSync(folder, { recursive: true }))

const run = async (...given: Parameters<typeof call>) => {
  const { output, ...result } = await call(...given)
  const text = [...output].map((piece) => (typeof piece === 'string' ? piece : new TextDecoder().decode(piece)))
  return { ...result, output: text.join('') }
}
const at = (name: string) => join(folder, name)
const write = (name: string, content: string | object) => {
  writeFileSync(at(name), typeof content === 'string' ? content : JSON.stringify(content))
  return at(name)
}
const site = (files: Record<string, string>) => {
  mkdirSync(at('site'))
  for (const [name, content] of Object.entries(files)) write(`site/${name}`, content)
  return at('site')
}
const PALETTE = [{ role: 'primary', color: '#0b6e74' }]
const plan = (decisions: unknown[]) =>
  write('plan.json', { version: 1, palette: PALETTE, decisions, write: 'in-place' })

const placesOf = ({ files }: AuditDocument) => files.flatMap(({ occurrences }) => occurrences)

/** Of a file that is not read. */
const NOTHING_READ: Pick<Reading, 'occurrences' | 'keywords' | 'computed' | 'behaviors' | 'findings'> = {
  ...{ occurrences: [], keywords: [], computed: [], behaviors: [], findings: [] },
}

interface Standing {
  readonly start: number
  readonly end: number
  readonly rule: number | null
}

describe('undo-ink audit', () => {
  it('audits the demo into a document that its contract accepts', async () => {
    const { output, status } = await run(['audit', DEMO, '--format', 'json'])
    const document = auditDocumentSchema.parse(JSON.parse(output))
    expect(status).toBe(0)
    const places = placesOf(document)
    expect(places.length).toBeGreaterThanOrEqual(150)
    expect(new Set(places.map(({ color }) => color)).size).toBeGreaterThanOrEqual(60)
    const notations = places.filter(({ color }) => color === '#7a2433').map(({ notation }) => notation)
    expect(new Set(notations).size).toBeGreaterThanOrEqual(5)
    expect(document.pages.map(({ path }) => path)).toContain('index.html')
    expect(document.files.flatMap(({ behaviors }) => behaviors).length).toBeGreaterThanOrEqual(1)
  })

  it('tells of each file all that was read', async () => {
    const { files } = await readFolder(DEMO, { includeVendor: false, progress() {} })
    const { output } = await run(['audit', DEMO, '--format', 'json'])
    const document = auditDocumentSchema.parse(JSON.parse(output))
    const readings = files.map(({ path, reading }) => ({ path, ...(reading ?? NOTHING_READ) }))
    const variables = listVariables(files.flatMap(({ path, reading }) => (reading ? [{ path, reading }] : [])))
    expect(document.variables.map(({ uses }) => uses)).toEqual(variables.map(({ uses }) => uses))
    for (const [i, told] of document.files.entries()) {
      const reading = readings[i] as (typeof readings)[number]
      /** An entry with its rule in full and its range as a reading has it. */
      const inFull = ({ start, end, rule, ...own }: Standing) => {
        const { states, ...of } = told.rules[rule ?? -1] as (typeof told.rules)[number]
        return { ...of, ...own, range: { start, end } }
      }
      const ofVariables = (list: 'definitions' | 'references') =>
        variables.flatMap((variable) =>
          variable[list].flatMap(({ file, ...each }) => (file === reading.path ? [each] : [])),
        )
      const inOrder = <T extends { range: { start: number }; name: string }>(some: readonly T[]) =>
        some.toSorted((a, b) => a.range.start - b.range.start || (a.name < b.name ? -1 : 1))
      const withoutInner = told.occurrences.map(({ inner, ...place }) => inFull(place))
      expect(withoutInner).toEqual(reading.occurrences.map(({ inner, ...place }) => place))
      expect(told.keywords.map(inFull)).toEqual(reading.keywords)
      expect(told.computed.map(inFull)).toEqual(reading.computed)
      expect(inOrder(told.references.map(inFull) as unknown as Reference[])).toMatchObject(
        inOrder(ofVariables('references') as Reference[]),
      )
      expect(told.definitions.map(({ start, end, ...own }) => ({ ...own, range: { start, end } }))).toEqual(
        inOrder(ofVariables('definitions')),
      )
      expect(told.findings.map(({ code, remedy }) => [code, remedy?.replacement])).toEqual(
        reading.findings.map(({ code, remedy }) => [code, remedy?.replacement]),
      )
      expect(told.behaviors.map(({ kind, line }) => [kind, line])).toEqual(
        reading.behaviors.map(({ kind, line }) => [kind, line]),
      )
    }
  })

  it.each(['json', 'csv', 'text'] as const)('prints as %s the same from threads as without', async (format) => {
    const folder = site({
      'a.css': ':root{--rgb: 1, 2, 3;--x: tan;--size: 2px;--n: 1 2 3}a{color:rgba(var(--rgb),.5)}',
      'b.css': ':root{--y: var(--x);--z: #fff}a{fill:var(--y);border-color:var(--z);margin:var(--size);ba\u009bx:1}',
      'ä.css': '/* ü */ a:hover{color:red} b{background:url("data:image/svg+xml,%3Csvg fill=\'red\'/%3E")}',
      'c.html': '<p style="color:#123456">',
      'd.txt': 'x',
    })
    const here = await run(['audit', folder, '--format', format])
    const walked = await walk(folder)
    const threads = await draftThreads(2, format)
    const read = await readWalked(walked, { includeVendor: false, progress() {} }, threads)
    await threads.close()
    const printed = FORMATS[format].print(read, folder)
    const text = [...printed].map((piece) => (typeof piece === 'string' ? piece : new TextDecoder().decode(piece)))
    expect(text.join('')).toBe(here.output)
  })

  it('writes a table with what a spreadsheet would take for a formula escaped', async () => {
    const { output } = await run([
      'audit',
      site({ 'a.css': '=x, a:hover { color: red !important }' }),
      '--format',
      'csv',
    ])
    const [head, row, end] = output.split('\r\n')
    expect(head?.split(',').slice(0, 8)).toEqual(['file', 'line', 'column', 'start', 'end', 'raw', 'notation', 'color'])
    expect(row).toContain('a.css,1,22,21,24,red,name,#ff0000,1,text,color,"\'=x, a:hover"')
    expect(end).toBe('')
  })

  it('lists what it cannot open, and goes on', async () => {
    const folder = site({ 'a.css': 'a{color:red}', 'b.txt': 'x' })
    symlinkSync('a.css', join(folder, 'l.css'))
    symlinkSync('.', join(folder, 'loop'))
    execFileSync('mkfifo', [join(folder, 'pipe.css')])
    writeFileSync(Buffer.concat([Buffer.from(`${folder}/k`), Buffer.from([0xe9]), Buffer.from('.css')]), 'b{color:red}')
    write('site/sparse.css', '')
    truncateSync(join(folder, 'sparse.css'), 2 ** 40)
    writeFileSync(join(folder, 'huge.css'), Buffer.alloc(33 * 1024 * 1024, 'a{color:red}'))
    const { output, error, status } = await run(['audit', folder, '--format', 'json'])
    const document = auditDocumentSchema.parse(JSON.parse(output))
    expect(status).toBe(0)
    expect(document.unopened).toEqual([
      { path: 'k\ufffd.css', why: 'no-utf8' },
      { path: 'l.css', why: 'link' },
      { path: 'loop', why: 'link' },
      { path: 'pipe.css', why: 'no-file' },
      { path: 'sparse.css', why: 'sparse' },
    ])
    expect(document.files.map(({ path, skipped }) => [path, skipped])).toEqual([
      ['a.css', undefined],
      ['b.txt', 'no-colors-here'],
      ['huge.css', 'too-long'],
    ])
    expect(error.split('\n')[3]).toBe('left out: pipe.css: it is neither a file nor a folder')
    const to = { target: { colors: ['#ff0000'] }, to: { role: 'primary' } }
    const written = await run(['rewrite', folder, '--plan', plan([to]), '--out', at('out')])
    expect([written.status, written.error]).toEqual([0, error])
    expect(readdirSync(at('out'))).toEqual(['a.css', 'b.txt', 'huge.css'])
    expect(readFileSync(at('out/huge.css')).equals(readFileSync(join(folder, 'huge.css')))).toBe(true)
  })

  it('says of what may not be read that it may not', () => {
    expect(whyOf(Object.assign(new Error(), { code: 'EACCES' }))).toBe('no-permission')
    expect(whyOf(Object.assign(new Error(), { code: 'EIO' }))).toBe('unreadable')
  })

  it('gives no terminal an order by the name of a file', async () => {
    const folder = site({ 'a\u001b]0;x\u0007\u009b2J.css': 'a{color:red}' })
    for (const format of ['text', 'json']) {
      const { output } = await run(['audit', folder, '--format', format])
      expect(output).toContain('a\\u001b]0;x\\u0007\\u009b2J.css')
      // biome-ignore lint/suspicious/noControlCharactersInRegex: none may be left
      expect(output).not.toMatch(/[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/)
    }
    const { output } = await run(['check', folder, '--palette', write('p.json', PALETTE), '--format', 'sarif'])
    expect(output).toContain('a%1B%5D0%3Bx%07%C2%9B2J.css')
  })

  it('leaves third-party code out until it is asked for, and links generated copies', async () => {
    const folder = site({ 'vendor.css': 'a{color:red}', 'a.scss': 'a{color:red}', 'a.css': 'a{color:red}' })
    mkdirSync(join(folder, 'node_modules'))
    write('site/node_modules/x.css', 'a{color:red}')
    const read = async (...more: string[]) =>
      auditDocumentSchema.parse(JSON.parse((await run(['audit', folder, '--format', 'json', ...more])).output))
    const document = await read()
    expect(placesOf(document)).toHaveLength(3)
    expect(document.files.find(({ path }) => path === 'node_modules/x.css')).toMatchObject({
      skipped: 'third-party',
      thirdParty: 'vendor-folder',
    })
    expect(document.files.find(({ path }) => path === 'a.css')?.generatedFrom).toBe('a.scss')
    expect(placesOf(await read('--include-vendor'))).toHaveLength(4)
  })

  it('tells of each file before it is read', async () => {
    const told: string[] = []
    await run(['audit', site({ 'a.css': '', 'b.css': '' })], (path, done, of) => told.push(`${path} ${done} ${of}`))
    expect(told).toEqual(['a.css 0 2', 'b.css 1 2'])
  })

  it('tells people the colors, most used first, and the places', async () => {
    const { output } = await run([
      'audit',
      site({ 'a.css': 'a { color: red; background: #fff }\nb { color: #F00 } /*' }),
    ])
    expect(output).toBe(`3 places in 2 colours, in 1 of 1 file

#ff0000  2
  a.css:1:12  red  color  a
  a.css:2:12  #F00  color  b

#ffffff  1
  a.css:1:29  #fff  background  a

a.css:2:19  unclosed-comment
`)
  })
})

describe('undo-ink rewrite', () => {
  it('keeps a decision within its scope', async () => {
    const folder = site({ 'a.css': 'a{color:red} a:hover{color:red}', 'b.css': 'a:hover{color:red}' })
    const scope = { file: 'a.css', state: 'hover' }
    const file = plan([{ target: { colors: ['red'], scope }, to: { role: 'primary' } }])
    expect((await run(['rewrite', folder, '--plan', file, '--out', at('out')])).status).toBe(0)
    expect(readFileSync(at('out/a.css'), 'utf8')).toBe('a{color:red} a:hover{color:#0b6e74}')
    expect(readFileSync(at('out/b.css'), 'utf8')).toBe('a:hover{color:red}')
  })

  it('takes places that are only possibly colors where the plan has them, or all by a word', async () => {
    const folder = site({ 'a.js': 'x("#f00"); y("#f00")' })
    const written = async (out: string, document: object, ...more: string[]) => {
      const file = write('plan.json', { version: 1, palette: PALETTE, ...document, write: 'in-place' })
      const { output } = await run(['rewrite', folder, '--plan', file, '--out', at(out), ...more])
      return [readFileSync(at(`${out}/a.js`), 'utf8'), /(\d+) places? (?:is|are) only possibly/.exec(output)?.[1]]
    }
    const decisions = [{ target: { colors: ['red'] }, to: { role: 'primary' } }]
    expect(await written('none', { decisions })).toEqual(['x("#f00"); y("#f00")', '2'])
    const confirmed = [{ path: 'a.js', start: 14 }]
    expect(await written('one', { decisions, confirmed })).toEqual(['x("#f00"); y("#0b6e74")', '1'])
    expect(await written('all', { decisions }, '--include', 'possible')).toEqual([
      'x("#0b6e74"); y("#0b6e74")',
      undefined,
    ])
  })

  it('reads the files that the plan takes in, and passes over those that it sets aside', async () => {
    const folder = site({ 'a.css': 'a{color:red}' })
    mkdirSync(join(folder, 'vendor'))
    write('site/vendor/b.css', 'a{color:red}')
    const file = write('plan.json', {
      ...{ version: 1, palette: PALETTE, write: 'in-place' },
      files: { 'vendor/b.css': 'take-in', 'a.css': 'set-aside' },
      decisions: [{ target: { colors: ['red'] }, to: { role: 'primary' } }],
    })
    expect((await run(['rewrite', folder, '--plan', file, '--out', at('out')])).status).toBe(0)
    expect(readFileSync(at('out/a.css'), 'utf8')).toBe('a{color:red}')
    expect(readFileSync(at('out/vendor/b.css'), 'utf8')).toBe('a{color:#0b6e74}')
  })

  it('refuses a plan of other files, and one that finds nothing', async () => {
    const folder = site({ 'a.css': 'a{color:red}' })
    const decisions = [{ target: { colors: ['red'] }, to: { role: 'primary' } }]
    const refusal = async (document: object, ...more: string[]) => {
      const file = write('plan.json', { version: 1, palette: PALETTE, decisions, ...document, write: 'in-place' })
      const { status, error } = await run(['rewrite', folder, '--plan', file, '--out', at('out'), ...more])
      return [status, error]
    }
    const other = { copy: '0'.repeat(64), site: 'Another' }
    expect(await refusal(other)).toEqual([2, expect.stringContaining('those of the site Another')])
    expect(await refusal({ decisions: [{ target: { colors: ['blue'] }, to: { role: 'primary' } }] })).toEqual([
      2,
      expect.stringContaining('finds nothing here'),
    ])
    const insertions = [{ path: 'b.css', selector: 'a', property: 'color', to: { role: 'primary' } }]
    const scoped = [{ target: { colors: ['red'], scope: { file: 'gone.css' } }, to: { role: 'primary' } }]
    const confirmed = [{ path: 'gone.js', start: 3 }]
    for (const document of [{ insertions }, { files: { 'b.css': 'set-aside' } }, { decisions: scoped }, { confirmed }])
      expect(await refusal(document)).toEqual([2, expect.stringMatching(/The copy has no such file: (?:b|gone)\./)])
    expect(existsSync(at('out'))).toBe(false)
    expect(await refusal(other, '--any-copy')).toEqual([0, ''])
  })

  it('gives identical bytes for an empty plan', async () => {
    const { status } = await run(['rewrite', DEMO, '--plan', plan([]), '--out', at('out')])
    expect(status).toBe(0)
    const files = readdirSync(DEMO, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile())
    expect(files.length).toBeGreaterThan(10)
    for (const entry of files) {
      const path = join(entry.parentPath, entry.name).slice(DEMO.length)
      expect(readFileSync(join(at('out'), path)).equals(readFileSync(join(DEMO, path)))).toBe(true)
    }
  })

  it('writes roles, colors and keeps, the narrower decision over the wider', async () => {
    const input = site({
      'a.css': '\uFEFFa{color:#7A2433;background:rgb(122 36 51/.5)}\r\nb{color:red;border-color:tan}',
    })
    const decisions = [
      { target: { colors: ['#7a2433'] }, to: { role: 'primary' } },
      { target: { colors: ['rgb(122, 36, 51)'], use: 'text' }, to: { keep: true } },
      { target: { colors: ['red'] }, to: { color: 'hsl(0 0% 0%)' } },
    ]
    const { output } = await run(['rewrite', input, '--plan', plan(decisions), '--out', at('out')])
    expect(output).toBe('2 changes in 1 file, 0 of them written as hex\n')
    expect(readFileSync(at('out/a.css'), 'utf8')).toBe(
      '\uFEFFa{color:#7A2433;background:rgb(11 110 116/.5)}\r\nb{color:black;border-color:tan}',
    )
  })

  it('says everything that was decided and is not written, with its reason', async () => {
    const input = site({
      'a.css': 'a{color:red;background:red} b{background:linear-gradient(tan, #fff), url(x.png)}\n:root{--x:red}',
      'a.html': '<body bgcolor="#ff0000">',
      'a.scss': 'a{color:rgba(red, .5)}',
    })
    const decisions = [
      { target: { colors: ['red'] }, to: { role: 'primary' }, alpha: 0.5 },
      { target: { colors: ['red'], use: 'text' }, to: { inherit: true } },
      { target: { colors: ['red'], scope: { file: 'a.css', width: '(max-width: 600px)' } }, to: { keep: true } },
      { target: { colors: ['#fff'] }, to: { role: 'primary' }, solid: true },
    ]
    const { output } = await run(['rewrite', input, '--plan', plan(decisions), '--out', at('out')])
    expect(
      output
        .split('\n')
        .slice(1)
        .map((line) => line.replace(/^\S+\s+\S+\s+/, (at) => `${at.trim()} `)),
    ).toEqual([
      'decided, but not written:',
      expect.stringMatching(/^a\.css:2:\d+\s+red a variable: what takes it decides where it shows/),
      expect.stringMatching(/^a\.css:1:\d+\s+#fff a gradient becomes a solid/),
      expect.stringMatching(/^a\.html:1:\d+\s+#ff0000 what stands there cannot be made that see-through/),
      expect.stringMatching(/^a\.scss:1:\d+\s+red it cannot take the colour of its parent/),
      '',
    ])
  })

  it('writes what follows, and what takes its parent’s color where that can be written', async () => {
    const input = site({ 'a.css': 'a{color:#7a2433;background:#7a2433} b{color:#943a4b} c{color:tan;background:tan}' })
    const decisions = [
      { target: { colors: ['#7a2433'] }, to: { role: 'primary' } },
      { target: { colors: ['#943a4b'] }, to: { follow: 'rgb(122 36 51)' } },
      { target: { colors: ['tan'] }, to: { inherit: true } },
    ]
    await run(['rewrite', input, '--plan', plan(decisions), '--out', at('out')])
    expect(readFileSync(at('out/a.css'), 'utf8')).toMatch(
      /^a\{color:#0b6e74;background:#0b6e74\} b\{color:#2[\da-f]8[\da-f]{3}\} c\{color:inherit;background:tan\}$/,
    )
    const { status, error } = await run([
      ...['rewrite', input, '--plan', plan([{ target: { colors: ['tan'] }, to: { follow: 'nothing' } }])],
      ...['--out', at('out2')],
    ])
    expect([status, error]).toEqual([2, expect.stringContaining('decisions.0: nothing is not a color')])
  })

  it('never writes over its input, nor over anything else', async () => {
    const input = site({ 'a.css': 'a{color:red}' })
    symlinkSync(input, at('link'))
    mkdirSync(at('full'))
    write('full/x', 'x')
    for (const out of [input, join(input, 'deeper'), folder, at('link'), at('link/deeper'), at('full')]) {
      const { status, error } = await run(['rewrite', input, '--plan', plan([]), '--out', out])
      expect([out, status]).toEqual([out, 2])
      expect(error).toMatch(/write over|not empty/)
    }
    expect(readdirSync(input)).toEqual(['a.css'])
  })

  it.each<[string, object, RegExp]>([
    [
      'an unknown member',
      { version: 1, palette: [], decisions: [], write: 'in-place', extra: 1 },
      /unknown member extra/,
    ],
    ['another version', { version: 2, palette: [], decisions: [], write: 'in-place' }, /version/],
    [
      'a deep unknown member',
      { version: 1, palette: [{ role: 'a', color: 'red', hue: 1 }], decisions: [], write: 'in-place' },
      /unknown member hue, at palette\.0/,
    ],
    [
      'a role that is no color',
      { version: 1, palette: [{ role: 'a', color: 'reddish' }], decisions: [], write: 'in-place' },
      /reddish is not a color/,
    ],
    [
      'a role twice',
      { version: 1, palette: [...PALETTE, ...PALETTE], decisions: [], write: 'in-place' },
      /primary already/,
    ],
    [
      'a missing role',
      { version: 1, palette: [], decisions: [{ target: { colors: ['red'] }, to: { role: 'x' } }], write: 'in-place' },
      /no role x/,
    ],
  ])('refuses a plan with %s', async (_name, document, message) => {
    const { status, error } = await run(['rewrite', site({}), '--plan', write('p.json', document), '--out', at('out')])
    expect(status).toBe(2)
    expect(error).toMatch(message)
    expect(existsSync(at('out'))).toBe(false)
  })
})

describe('undo-ink check', () => {
  const palette = () => write('palette.json', { version: 1, palette: PALETTE })

  it.each([
    [
      'palette.tokens.json',
      '{"brand":{"$type":"color","signal":{"$value":{"colorSpace":"srgb","components":[1,0,0],"hex":"#ff0000"}}}}',
    ],
    ['palette.css', ':root { --signal: #f00; }'],
    ['palette.scss', '$signal: #f00;'],
    ['palette.gpl', 'GIMP Palette\nName: x\n#\n255 0 0 signal\n'],
    ['palette.csv', 'role,color\nsignal,#f00\n'],
  ])('takes the palette that the interface writes as %s', async (name, text) => {
    const folder = site({ 'a.css': 'a{color:red;background:blue}' })
    const { output, status } = await run(['check', folder, '--palette', write(name, text)])
    expect(status).toBe(1)
    expect(output).toMatch(/nearest (?:brand )?signal/)
    expect(output).toContain('1 place has a colour that is not of the palette')
  })

  it('finds what is not of the palette, with the nearest role', async () => {
    const input = site({ 'a.css': 'a{color:#0B6E74}\nb{color:rgb(11 110 116 / 50%);background:#0c6f75}' })
    const text = await run(['check', input, '--palette', palette()])
    expect(text.status).toBe(1)
    expect(text.output).toMatch(
      /^a\.css:2:42 {2}#0c6f75 {2}background {2}b, nearest primary \(ΔE00 0\.\d+\)\n1 place has a colour that is not of the palette\n$/,
    )
    const json = await run(['check', input, '--palette', palette(), '--format', 'json'])
    expect(checkDocumentSchema.parse(JSON.parse(json.output)).places).toHaveLength(1)
  })

  it('is clean when there is nothing', async () => {
    expect(await run(['check', site({ 'a.css': 'a{color:#0b6e74}' }), '--palette', palette()])).toMatchObject({
      status: 0,
      error: '',
    })
  })

  it('speaks SARIF 2.1.0', async () => {
    const { output } = await run([
      'check',
      site({ 'a b.css': '\n a{color:red}' }),
      '--palette',
      palette(),
      '--format',
      'sarif',
    ])
    const log = JSON.parse(output)
    expect([log.version, log.runs[0].columnKind, log.runs[0].results.length]).toEqual(['2.1.0', 'utf16CodeUnits', 1])
    expect(log.runs[0].results[0].locations[0].physicalLocation).toEqual({
      artifactLocation: { uri: 'a%20b.css' },
      region: { startLine: 2, startColumn: 10, snippet: { text: 'red' } },
    })
  })
})

describe('bad use', () => {
  it.each([
    [[]],
    [['paint', 'x']],
    [['audit']],
    [['audit', 'a', 'b']],
    [['audit', DEMO, '--format', 'xml']],
    [['audit', DEMO, '--colour', 'x']],
    [['audit', '/nosuchfolder']],
    [['check', DEMO]],
    [['check', DEMO, '--palette', '/nosuchfile']],
    [['rewrite', DEMO, '--out', '/tmp/x']],
  ])('%j is refused with status 2, nothing on the output', async (args) => {
    const { status, output, error } = await run(args)
    expect([status, output]).toEqual([2, ''])
    expect(error).toMatch(/^undo-ink: /)
  })
})

describe('undo-ink', () => {
  it.each(['audit', 'rewrite', 'check'])('%s --help says what it is called with', async (command) => {
    const { output, status } = await run([command, '--help'])
    expect(status).toBe(0)
    expect(output).toMatch(new RegExp(`^usage: undo-ink ${command} FOLDER`))
    expect(output).toContain('Status 0')
  })

  it('--help says which commands there are', async () => {
    expect((await run(['--help'])).output).toContain('undo-ink check FOLDER')
    expect((await run(['nosuch', '--help'])).status).toBe(2)
  })
})
