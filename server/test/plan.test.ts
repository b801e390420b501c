import { randomUUID } from 'node:crypto'
import { planSchema, planTailSchema } from '@undo-ink/contracts'
import { type Decision, foldPlan, type PlanEvent } from '@undo-ink/core'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import yauzl from 'yauzl'
import { type Harness, placesOf, siteWith, startServer, whenDone } from './harness.ts'

let harness: Harness
beforeAll(async () => {
  harness = await startServer()
})
afterAll(() => harness.stop())

const FILES = {
  'css/a.css': '/* é */a { color: #7A2433; background: rgba(122, 36, 51, .5) }\r\n',
  'index.html': '<p style="color:red">',
  'logo.png': Buffer.from([0, 1, 2]),
}

const send = (planId: string, version: number, event: PlanEvent, id: string = randomUUID()) =>
  harness.http.post(`/api/plans/${planId}/events`).send({ id, version, event })
const keep = (id: string = randomUUID()): PlanEvent => ({
  kind: 'decide',
  decisions: [{ id, target: { colors: ['#7a2433'] }, to: { kind: 'keep' } }],
})
const palette = (planId: string, version: number, roles: unknown[]) =>
  harness.http.post(`/api/plans/${planId}/palette`).send({ id: randomUUID(), version, roles })
const PRIMARY = { id: 'p', name: 'primary', color: '#0b6e74' }

/** Every file of a ZIP by its path. */
function unzip(bytes: Buffer): Promise<Record<string, Buffer>> {
  return new Promise((resolve, reject) => {
    const files: Record<string, Buffer> = {}
    yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error)
      zip.on('entry', (entry) =>
        zip.openReadStream(entry, async (failed, stream) => {
          if (failed) return reject(failed)
          files[entry.fileName] = Buffer.concat(await stream.toArray())
          zip.readEntry()
        }),
      )
      zip.on('end', () => resolve(files))
      zip.readEntry()
    })
  })
}

const getCopy = async (planId: string): Promise<Buffer> =>
  (
    await harness.http
      .get(`/api/plans/${planId}/copy.zip`)
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = []
        res.on('data', (chunk: Buffer) => chunks.push(chunk))
        res.on('end', () => done(null, Buffer.concat(chunks)))
      })
  ).body

describe('the history of a plan', () => {
  it('records events in order, and answers with what is new', async () => {
    const { planId } = await siteWith(harness, 'History', FILES)
    const seqs = (body: unknown) => planTailSchema.parse(body).events.map(({ seq }) => seq)
    const first = await send(planId, 0, keep()).expect(201)
    await send(planId, 1, { kind: 'tolerance', value: 5 }).expect(201)
    const last = await send(planId, 2, { kind: 'undo' }).expect(201)
    expect([seqs(first.body), seqs(last.body), last.body.version]).toEqual([[1], [3], 3])
    expect(seqs((await harness.http.get(`/api/plans/${planId}/events?after=1`).expect(200)).body)).toEqual([2, 3])
    await harness.http.get(`/api/plans/${planId}/events?after=x`).expect(400)
    const plan = planSchema.parse((await harness.http.get(`/api/plans/${planId}`)).body)
    expect(plan.events.map(({ seq, event }) => [seq, event.kind])).toEqual([
      [1, 'decide'],
      [2, 'tolerance'],
      [3, 'undo'],
    ])
    expect(
      foldPlan(
        plan.start,
        plan.events.map(({ event }) => event),
      ),
    ).toMatchObject({ tolerance: 2, decisions: [{ to: { kind: 'keep' } }] })
  })

  it('refuses an event made on an older version, and changes nothing', async () => {
    const { planId } = await siteWith(harness, 'Conflict', FILES)
    await send(planId, 0, keep()).expect(201)
    const { body } = await send(planId, 0, keep()).expect(409)
    expect([body.code, body.detail]).toEqual(['conflict', '1'])
    expect((await harness.http.get(`/api/plans/${planId}`)).body.version).toBe(1)
  })

  it('records an event that is sent twice only once', async () => {
    const { planId } = await siteWith(harness, 'Twice', FILES)
    const id = randomUUID()
    const event = keep()
    await send(planId, 0, event, id).expect(201)
    const { body } = await send(planId, 0, event, id).expect(201)
    expect(body.version).toBe(1)
  })

  it('lets one of many simultaneous writers through', async () => {
    const { planId } = await siteWith(harness, 'Race', FILES)
    const answers = await Promise.all(Array.from({ length: 6 }, () => send(planId, 0, keep())))
    expect(answers.map(({ status }) => status).toSorted()).toEqual([201, 409, 409, 409, 409, 409])
  })

  it('does so for more writers than there are connections, whatever is asked of the copy for it', async () => {
    const text = 'a{color:7a2433}\n'
    const { planId } = await siteWith(harness, 'Crowd', { 'a.css': text })
    const range = { start: 8, end: 14 }
    const slip = (): PlanEvent => {
      const at = {
        path: 'a.css',
        range,
        line: 1,
        column: 9,
        raw: '7a2433',
        replacement: '#7a2433',
        use: 'text' as const,
      }
      return { kind: 'correct', corrections: [{ id: randomUUID(), ...at }] }
    }
    const answers = await Promise.all(Array.from({ length: 25 }, () => send(planId, 0, slip())))
    expect(answers.map(({ status }) => status).toSorted()).toEqual([201, ...Array.from({ length: 24 }, () => 409)])
  })

  it('refuses what cannot be', async () => {
    const { planId } = await siteWith(harness, 'Cannot', FILES)
    const refusals = await Promise.all([
      send(planId, 0, { kind: 'undo' }),
      send(planId, 0, { kind: 'take-back', decisions: [randomUUID()] }),
      send(planId, 0, {
        kind: 'decide',
        decisions: [{ id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'none' } }],
      }),
      send(planId, 0, { kind: 'palette', version: 9 }),
    ])
    expect(refusals.map(({ status, body }) => [status, body.code])).toEqual(refusals.map(() => [422, 'invalid-event']))
    await harness.http
      .post(`/api/plans/${planId}/events`)
      .send({ id: randomUUID(), version: 0, event: { kind: 'forget' } })
      .expect(400)
    expect((await harness.http.get(`/api/plans/${planId}`)).body.version).toBe(0)
  })

  it('cannot be rewritten in the database', async () => {
    const { planId } = await siteWith(harness, 'Append', FILES)
    await send(planId, 0, keep()).expect(201)
    for (const sql of ["UPDATE plan_events SET event = '{}'", 'DELETE FROM plan_events', 'TRUNCATE plan_events'])
      await expect(harness.sequelize.query(sql)).rejects.toThrow('never changes')
  })
})

describe('the palette', () => {
  const paletteOf = async (planId: string) => {
    const { body } = await harness.http.get(`/api/plans/${planId}`).expect(200)
    return (await harness.http.get(`/api/palettes/${body.paletteId}`).expect(200)).body
  }

  it('keeps what each role is for, and where it stands', async () => {
    const { planId } = await siteWith(harness, 'Jobs', FILES)
    const roles = [
      { ...PRIMARY, serves: 'ground' },
      { id: 't', name: 'words', color: '#fff', serves: 'text', on: ['p'] },
      { id: 'l', name: 'line', color: '#ccc', on: [] },
    ]
    await palette(planId, 0, roles).expect(201)
    const body = await paletteOf(planId)
    expect(body.versions.at(-1).roles).toEqual(roles)
    await palette(planId, 1, [{ ...PRIMARY, serves: 'everything' }]).expect(400)
  })

  it('lets made colours follow their base', async () => {
    const { planId } = await siteWith(harness, 'Made', FILES)
    const made = { from: 'p', lighter: 0, stronger: 0, turned: 0 }
    const grey = { id: 'g', name: 'grey', color: '#123456', made }
    await palette(planId, 0, [{ ...PRIMARY, color: '#808080' }, grey]).expect(201)
    await palette(planId, 1, [{ ...PRIMARY, color: '#404040' }, grey]).expect(201)
    const body = await paletteOf(planId)
    expect(body.versions.map(({ roles }: { roles: { color: string }[] }) => roles[1]?.color)).toEqual([
      undefined,
      '#808080',
      '#404040',
    ])
    await palette(planId, 2, [{ ...grey, made: { ...made, lighter: 4 } }]).expect(400)
  })

  it('gets a version with each change, and the plan moves along, undoably', async () => {
    const { planId } = await siteWith(harness, 'Palette', FILES)
    const { body } = await palette(planId, 0, [PRIMARY]).expect(201)
    expect(body.events.at(-1).event).toEqual({ kind: 'palette', version: 2 })
    expect((await paletteOf(planId)).versions).toMatchObject([
      { version: 1, roles: [] },
      { version: 2, roles: [PRIMARY] },
    ])
  })

  it.each([
    ['invalid-role', [{ ...PRIMARY, color: 'nearly blue' }]],
    ['invalid-role', [{ ...PRIMARY, color: 'rgb(1 2 3 / .5)' }]],
    ['same-role-twice', [PRIMARY, { id: 'q', name: ' Primary', color: 'red' }]],
    ['same-role-twice', [PRIMARY, { ...PRIMARY, name: 'other' }]],
  ])('refuses %s and stores no version', async (code, roles) => {
    const { planId } = await siteWith(harness, `Bad palette ${randomUUID()}`, FILES)
    const { body } = await palette(planId, 0, roles).expect(422)
    expect(body.code).toBe(code)
    const plan = (await harness.http.get(`/api/plans/${planId}`)).body
    expect(plan.version).toBe(0)
    expect((await harness.http.get(`/api/palettes/${plan.paletteId}`)).body.versions).toHaveLength(1)
  })
})

describe('the recoloured copy', () => {
  it('is what came in, byte for byte, for an empty plan', async () => {
    const { planId } = await siteWith(harness, 'Empty plan', FILES)
    const files = await unzip(await getCopy(planId))
    expect(Object.keys(files)).toEqual(['css/a.css', 'index.html', 'logo.png'])
    for (const [path, content] of Object.entries(FILES)) expect(files[path]?.equals(Buffer.from(content))).toBe(true)
  })

  it('has the decided places written anew and is the same every time', async () => {
    const { planId } = await siteWith(harness, 'Decided', FILES)
    await palette(planId, 0, [PRIMARY]).expect(201)
    await send(planId, 1, {
      kind: 'decide',
      decisions: [{ id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'p' } }],
    }).expect(201)
    const copy = await getCopy(planId)
    const files = await unzip(copy)
    expect(files['css/a.css']?.toString()).toBe('/* é */a { color: #0B6E74; background: rgba(11, 110, 116, .5) }\r\n')
    expect(files['index.html']?.toString()).toBe(FILES['index.html'])
    expect((await getCopy(planId)).equals(copy)).toBe(true)
  })
})

describe('what is decided otherwise than by a role', () => {
  const SHEET = { 'a.css': 'a{color:#7a2433} b{color:#943a4b;background:#943a4b} c{color:tan}' }
  const of = (color: string, to: Decision['to']): PlanEvent => ({
    kind: 'decide',
    decisions: [{ id: randomUUID(), target: { colors: [color] }, to }],
  })

  it('is written into the copy, and comes back in any order', async () => {
    const { planId } = await siteWith(harness, 'Otherwise', SHEET)
    const sheet = async () => (await unzip(await getCopy(planId)))['a.css']?.toString()
    const [lead, shade, tan] = [
      of('#7a2433', { kind: 'color', color: '#0b6e74' }),
      of('#943a4b', { kind: 'follow', lead: '#7a2433' }),
      of('tan', { kind: 'inherit' }),
    ].map((event, version) => ({ event, version }))
    const idOf = (made: typeof lead) => (made?.event.kind === 'decide' ? (made.event.decisions[0]?.id ?? '') : '')
    await send(planId, 0, of('#d2b48c', { kind: 'inherit' })).expect(201)
    for (const made of [shade, lead, tan])
      if (made) await send(planId, 1 + [shade, lead, tan].indexOf(made), made.event).expect(201)
    const written = await sheet()
    expect(written).toMatch(/^a\{color:#0b6e74\} b\{color:(#[\da-f]{6});background:\1\} c\{color:inherit\}$/)
    // What follows a lead that was taken back stays as it came.
    await send(planId, 4, { kind: 'take-back', decisions: [idOf(lead)] }).expect(201)
    expect(await sheet()).toBe(SHEET['a.css'].replace('tan', 'inherit'))
    await send(planId, 5, { kind: 'undo' }).expect(201)
    expect(await sheet()).toBe(written)
  })

  it('is refused where its color is none, or see-through', async () => {
    const { planId } = await siteWith(harness, 'No colour', SHEET)
    for (const color of ['nonsense', '#0008']) {
      const { body } = await send(planId, 0, of('#7a2433', { kind: 'color', color })).expect(422)
      expect([body.code, body.detail]).toEqual(['invalid-event', color])
    }
  })

  it('has clusters by hand among its events', async () => {
    const { planId } = await siteWith(harness, 'By hand', SHEET)
    await send(planId, 0, { kind: 'group', colors: ['#7a2433', '#943a4b'] }).expect(201)
    await send(planId, 1, { kind: 'lead', color: '#943a4b' }).expect(201)
    await send(planId, 2, { kind: 'ungroup', colors: ['#7a2433'] }).expect(201)
    const plan = planSchema.parse((await harness.http.get(`/api/plans/${planId}`)).body)
    const { byHand } = foldPlan(
      plan.start,
      plan.events.map(({ event }) => event),
    )
    expect(byHand).toEqual({ groups: [['#943a4b']], leads: ['#943a4b'] })
  })
})

describe('a slip that is put right', () => {
  const SLIPS = {
    'a.css': 'a{color:7A2433} b{color:#7a2433} /* é */ c{background-color:linear-gradient(red,#fff)}',
  }
  const id = randomUUID()
  const at = (start: number, raw: string, replacement: string) => ({
    ...{ id: randomUUID(), path: 'a.css', range: { start, end: start + raw.length }, line: 1, column: start + 1 },
    ...{ raw, replacement, use: 'text' as const },
  })
  const missingHash = { ...at(8, '7A2433', '#7A2433'), id }
  const correct = (...corrections: ReturnType<typeof at>[]): PlanEvent => ({ kind: 'correct', corrections })

  it('is written as it was meant, then as what its colour takes, and comes back as it was', async () => {
    const { planId } = await siteWith(harness, 'Slips', SLIPS)
    const sheet = async () => (await unzip(await getCopy(planId)))['a.css']?.toString()
    const property = SLIPS['a.css'].indexOf('background-color')
    await send(planId, 0, correct(missingHash, at(property, 'background-color', 'background-image'))).expect(201)
    const meant = SLIPS['a.css'].replace('7A2433', '#7A2433').replace('background-color', 'background-image')
    expect(await sheet()).toBe(meant)
    await palette(planId, 1, [PRIMARY]).expect(201)
    const decision = { id: randomUUID(), target: { colors: ['#7a2433'] }, to: { kind: 'role', role: 'p' } as const }
    await send(planId, 2, { kind: 'decide', decisions: [decision] }).expect(201)
    expect(await sheet()).toBe(meant.replace('#7A2433', '#0B6E74').replace('#7a2433', '#0b6e74'))
    await send(planId, 3, { kind: 'take-back', decisions: [id, decision.id] }).expect(201)
    expect(await sheet()).toBe(SLIPS['a.css'].replace('background-color', 'background-image'))
  })

  it.each([
    ['another text than the copy has', at(8, 'abc123', '#abc123'), 'The copy says something else there'],
    ['what is no colour', at(8, '7A2433', 'red}</style><script>'), 'Only a color or a property puts a slip right'],
    ['a place', at(24, '#7a2433', 'red'), 'A color stands there, which is decided in its place'],
    ['a file that is not there', { ...missingHash, path: 'gone.css' }, 'The copy has no such file'],
  ])('is refused of %s', async (what, correction, title) => {
    const { planId } = await siteWith(harness, `Refused of ${what}`, SLIPS)
    const { body } = await send(planId, 0, correct(correction)).expect(422)
    expect([body.code, body.title]).toEqual(['invalid-event', title])
  })

  it('is refused twice', async () => {
    const { planId } = await siteWith(harness, 'Twice right', SLIPS)
    await send(planId, 0, correct(missingHash)).expect(201)
    const { body } = await send(planId, 1, correct({ ...missingHash, id: randomUUID() })).expect(422)
    expect(body.title).toBe('This slip was put right already')
  })
})

describe('what is decided beside whole places', () => {
  const PAGES = {
    'a.css': 'a { color: #7a2433 }\n',
    'home.html': '<!doctype html><html><body class="home"><link rel="stylesheet" href="a.css">',
    'times.html': '<!doctype html><html><body class="times"><link rel="stylesheet" href="a.css">',
    'open.css': 'a { color: red',
  }
  const decide = (
    target: Partial<Decision['target']>,
    to: Decision['to'],
    more: Partial<Decision> = {},
  ): PlanEvent => ({
    kind: 'decide',
    decisions: [{ id: randomUUID(), target: { colors: ['#7a2433'], ...target }, to, ...more }],
  })

  it('is written for one page by what its root alone has, and taken back without a trace', async () => {
    const { planId } = await siteWith(harness, 'One page', PAGES)
    const event = decide({ scope: { page: 'times.html' } }, { kind: 'color', color: '#0b6e74' })
    await send(planId, 0, event).expect(201)
    expect((await unzip(await getCopy(planId)))['a.css']?.toString()).toBe(
      'a { color: #7a2433 }\na:where(body.times, body.times *) { color: #0b6e74 }\n',
    )
    await send(planId, 1, { kind: 'undo' }).expect(201)
    expect((await unzip(await getCopy(planId)))['a.css']?.toString()).toBe(PAGES['a.css'])
  })

  it('is refused where it could end a rule, or names a role that is not there', async () => {
    const { planId } = await siteWith(harness, 'Refused', PAGES)
    for (const scope of [{ region: '.a{} *' }, { region: '.a, .b' }, { width: 'print' }])
      await send(planId, 0, decide({ scope }, { kind: 'keep' })).expect(400)
    const gone = { role: 'gone' }
    const gradient = decide({}, { kind: 'gradient', stops: [gone, { color: '#fff' }], angle: 0 })
    expect((await send(planId, 0, gradient).expect(422)).body.title).toBe('The palette has no such role')
    const over = decide({}, { kind: 'color', color: '#fff' }, { over: { color: '#0008' } })
    expect((await send(planId, 0, over).expect(422)).body.title).toBe('This is no opaque color')
    expect((await harness.http.get(`/api/plans/${planId}`)).body.version).toBe(0)
  })

  it('adds rules to sheets that are closed, once, and takes them back', async () => {
    const { planId } = await siteWith(harness, 'Added', PAGES)
    const rule = (path: string, selector = 'a:visited', id: string = randomUUID()): PlanEvent => ({
      kind: 'insert',
      insertions: [{ id, path, selector, property: 'color', to: { color: '#0b6e74' } }],
    })
    await send(planId, 0, rule('a.css', 'a } b {')).expect(400)
    await send(planId, 0, rule('home.html')).expect(400)
    expect((await send(planId, 0, rule('gone.css')).expect(422)).body.detail).toBe('gone.css')
    const id = randomUUID()
    await send(planId, 0, rule('a.css', 'a:visited', id)).expect(201)
    await send(planId, 1, rule('a.css', 'a:hover', id)).expect(422)
    expect((await unzip(await getCopy(planId)))['a.css']?.toString()).toBe(
      'a { color: #7a2433 }\n:where(a:visited) { color: #0b6e74; }\n',
    )
    await send(planId, 1, { kind: 'take-back', decisions: [id] }).expect(201)
    expect((await unzip(await getCopy(planId)))['a.css']?.toString()).toBe(PAGES['a.css'])
  })
})

describe('an audit', () => {
  it('by older readers is not shown, and made anew when the server starts', async () => {
    const { snapshotId, siteId } = await siteWith(harness, 'Old audit', { 'a.scss': '$a: #7a2433;' })
    const sql = (text: string) => harness.sequelize.query(text, { bind: [snapshotId] })
    await sql('UPDATE audits SET reading_version = 1 WHERE snapshot_id = $1')
    await sql(
      'UPDATE readings SET reading_version = 1 WHERE sha256 IN (SELECT sha256 FROM files WHERE snapshot_id = $1)',
    )
    await sql("UPDATE files SET skipped = 'no-colors-here', encoding = NULL WHERE snapshot_id = $1")
    for (const part of ['ledger', 'audit']) {
      const { body } = await harness.http.get(`/api/snapshots/${snapshotId}/${part}`).expect(409)
      expect(body.code).toBe('not-read')
    }
    const { body: before } = await harness.http.get(`/api/sites/${siteId}`).expect(200)
    expect(before.snapshot.read).toBe(false)
    const restarted = await startServer({ databaseUrl: harness.databaseUrl })
    const { snapshot } = await whenDone(restarted, siteId)
    expect(snapshot.read).toBe(true)
    expect(snapshot.files[0]).toMatchObject({ skipped: null, encoding: 'utf-8' })
    expect(await placesOf(restarted, snapshotId)).toHaveLength(1)
    await restarted.stop()
  })
})
