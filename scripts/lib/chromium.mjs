import { existsSync } from 'node:fs'
import { fail, installDebian } from './packages.mjs'

const PLACES = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

/** The path of Debian's Chromium, installed through apt where it is missing; `CHROMIUM_PATH` names another. */
export function ensureChromium() {
  const named = process.env.CHROMIUM_PATH
  if (named) return existsSync(named) ? named : fail(`CHROMIUM_PATH names ${named}, which is not there.`)
  const found = () => PLACES.find((path) => existsSync(path))
  if (!found()) installDebian('Chromium', ['chromium-headless-shell', 'fonts-liberation'])
  return found() ?? fail('Chromium was installed, but it is not where Debian puts it.')
}
