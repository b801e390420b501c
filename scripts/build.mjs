import { build } from './lib/build.mjs'
import { ensurePackages } from './lib/packages.mjs'

ensurePackages()
await build()
