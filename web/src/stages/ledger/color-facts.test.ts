import { ledgerOf, readSource } from '@undo-ink/core'
import { describe, expect, it } from 'vitest'
import { SitePlaces } from '../../work/places.ts'
import { colorFacts, neighboursOf } from './color-facts.ts'

const CSS = `
a { color: #7a2433 } a:hover { color: #7A2433; background: rgb(122 36 51 / .5) }
:root { --brand: #7a2433; --other: #7a2434 } b { color: #ffffff; border-color: #791e2c }`
const reading = readSource({ path: 'a.css', text: CSS, encoding: 'utf-8' })
const site = new SitePlaces(ledgerOf([{ path: 'a.css', ...reading }]), { files: [{ path: 'a.css', id: 'f' }] } as never)

describe('what is known of a colour', () => {
  it('is told of all its places together', () => {
    const { places, ...facts } = colorFacts(site, '#7a2433')
    expect(places).toHaveLength(4)
    expect(facts).toEqual({
      spellings: [
        ['#7a2433', 2],
        ['#7A2433', 1],
        ['rgb(122 36 51 / .5)', 1],
      ],
      uses: [
        {
          use: 'text',
          count: 2,
          states: [
            ['rest', 1],
            ['hover', 1],
          ],
        },
        { use: 'ground', count: 1, states: [['hover', 1]] },
        { use: 'variable', count: 1, states: [['rest', 1]] },
      ],
      alphas: [
        [1, 3],
        [0.5, 1],
      ],
      files: 1,
      variables: [['--brand', 1]],
    })
    expect(colorFacts(site, '#123456').places).toEqual([])
  })

  it('has its nearest neighbours first', () => {
    expect(neighboursOf(site.ledger, '#7a2433', 2).map(({ color }) => color)).toEqual(['#7a2434', '#791e2c'])
    expect(neighboursOf(site.ledger, '#7a2433', 9)).toHaveLength(3)
  })
})
