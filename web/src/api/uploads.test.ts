import { describe, expect, it } from 'vitest'
import { sortOut } from './uploads.ts'

/** A file as the browser gives it; only its name, path and size matter here. */
const file = (path: string, size = 1) => ({ name: path.split('/').at(-1), path, size }) as never

describe('what was dropped', () => {
  it('is a ZIP when it is one file of that name, else a folder', () => {
    expect(sortOut([file('./site.ZIP')])).toMatchObject({ kind: 'zip', uploads: [{ path: 'site.ZIP' }] })
    expect(sortOut([file('/www/a.css'), file('/www/b.zip')])).toMatchObject({
      kind: 'files',
      uploads: [{ path: 'www/a.css' }, { path: 'www/b.zip' }],
    })
  })

  it('may be nothing, or too much', () => {
    expect(sortOut([])).toHaveProperty('problem')
    expect(sortOut([file('a.css', 600 * 1024 * 1024)])).toHaveProperty('problem')
    expect(sortOut(Array.from({ length: 10_001 }, (_, i) => file(`${i}.css`)))).toHaveProperty('problem')
  })
})
