import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fail, ROOT } from './lib/packages.mjs'

/** Writes docs/licences.md from the lock file: the packages that are shipped, by licence. With `--check` it only looks whether that is as it stands. */
const FILE = join(ROOT, 'docs/licences.md')

const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'))
const shipped = Object.entries(packages).flatMap(([path, about]) => {
  const at = path.lastIndexOf('node_modules/')
  const isOurs = at < 0 || about.link
  return isOurs || about.dev
    ? []
    : [
        {
          name: path.slice(at + 'node_modules/'.length),
          version: about.version,
          licence: about.license ?? olderWay(path),
        },
      ]
})
const byLicence = new Map()
for (const { name, version, licence } of shipped) {
  if (!byLicence.has(licence)) byLicence.set(licence, new Set())
  byLicence.get(licence).add(`${name} ${version}`)
}
const sections = [...byLicence]
  .sort(([a], [b]) => a.localeCompare(b, 'en'))
  .map(([licence, names]) => `## ${licence}\n\n${[...names].sort().join(', ')}\n`)
const text = `# Licences of the packages that are shipped

Made by \`node scripts/licences.mjs\` from the lock file; \`npm test\` looks whether it is as it stands. Packages for building and testing are not listed.

${sections.join('\n')}`

/** Old packages have a list, which the lock file does not repeat. */
function olderWay(path) {
  const { licenses = [] } = JSON.parse(readFileSync(join(ROOT, path, 'package.json'), 'utf8'))
  return licenses.map(({ type }) => type).join(' OR ') || 'not said'
}

if (!process.argv.includes('--check')) writeFileSync(FILE, text)
else if (readFileSync(FILE, 'utf8') !== text)
  fail('docs/licences.md is not what is shipped: run node scripts/licences.mjs')
