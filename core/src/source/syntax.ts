/** What a file is, by its name. The closed list: each has a row in the table of readers. */
export const SYNTAXES = [
  'css',
  'html',
  'scss',
  'less',
  'sass',
  'stylus',
  'template',
  'svg',
  'script',
  'settings',
  'image',
  'font',
  'other',
] as const
export type Syntax = (typeof SYNTAXES)[number]

const EXTENSIONS: Readonly<Record<string, Syntax>> = {
  css: 'css',
  ...all('html', 'html htm xhtml'),
  scss: 'scss',
  less: 'less',
  sass: 'sass',
  styl: 'stylus',
  ...all('template', 'php phtml liquid twig hbs handlebars mustache njk ejs erb jsp vue svelte astro cshtml'),
  svg: 'svg',
  ...all('script', 'js mjs cjs jsx ts tsx'),
  ...all('settings', 'json webmanifest yaml yml toml xml csv'),
  ...all('image', 'png jpg jpeg gif webp avif ico bmp'),
  ...all('font', 'woff woff2 ttf otf eot'),
}

function all(syntax: Syntax, extensions: string): Record<string, Syntax> {
  return Object.fromEntries(extensions.split(' ').map((extension) => [extension, syntax]))
}

export function syntaxOf(path: string): Syntax {
  const extension = /\.([^./]+)$/.exec(path)?.[1]?.toLowerCase() ?? ''
  return Object.hasOwn(EXTENSIONS, extension) ? (EXTENSIONS[extension] ?? 'other') : 'other'
}
