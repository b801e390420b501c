import { existsSync } from 'node:fs'
import { fail, installDebian } from './packages.mjs'

/** The full browser, as people have it: a reduced one lets pages do what this one refuses. */
const PLACE = '/usr/bin/chromium'

/** The path of Debian's Chromium, installed through apt where it is missing; `CHROMIUM_PATH` names another. */
export function ensureChromium() {
  const named = process.env.CHROMIUM_PATH
  if (named) return existsSync(named) ? named : fail(`CHROMIUM_PATH names ${named}, which is not there.`)
  if (!existsSync(PLACE)) installDebian('Chromium', ['chromium', 'fonts-liberation'])
  return existsSync(PLACE) ? PLACE : fail('Chromium was installed, but it is not where Debian puts it.')
}
