import { expect, it } from 'vitest'
import { generatedFrom, isLibrary, thirdPartyPath } from './provenance.ts'

it.each([
  ['node_modules/x/a.css', 'vendor-folder'],
  ['theme/vendor/slider/a.css', 'vendor-folder'],
  ['assets/third-party/a.scss', 'vendor-folder'],
  ['css/app.css.map', 'source-map'],
  ['css/vendor.css', null],
  ['vendored/a.css', null],
])('%s is third-party by its path: %s', (path, expected) => expect(thirdPartyPath(path)).toBe(expected))

const body = 'a{color:red}'.repeat(400)
it.each<[string, string, boolean]>([
  ['minified with a banner', `/*!\n * Slider v4.2.1 (invented)\n * Licensed under MIT\n */\n${body}`, true],
  ['minified without a banner', body, false],
  ['a banner over written code', `/*! Slider v4.2.1, MIT licence */\n${'a {\n  color: red;\n}\n'.repeat(200)}`, false],
  ['a theme header', `/*\nTheme Name: Invented\n*/\n${body}`, false],
])('%s', (_, text, expected) => expect(isLibrary(text)).toBe(expected))

it('links a sheet to the one that it was made from', () => {
  const paths = [
    'css/a.css',
    'css/a.min.css',
    'css/a.scss',
    'css/b.css',
    'scss/b.scss',
    'c.min.css',
    'x/css/d.css',
    'x/less/d.less',
    'css/e.css',
  ]
  expect(Object.fromEntries(generatedFrom(paths))).toEqual({
    'css/a.css': 'css/a.scss',
    'css/a.min.css': 'css/a.css',
    'css/b.css': 'scss/b.scss',
    'x/css/d.css': 'x/less/d.less',
  })
})
