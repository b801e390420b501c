import type { Embedded } from '../embedded.ts'
import type { Emitter } from '../emit.ts'
import { readCsv } from './csv.ts'
import { readJson } from './json.ts'
import { readToml } from './toml.ts'
import { readXml } from './xml.ts'
import { readYaml } from './yaml.ts'

/** Reads a settings file by the ending of its path. */
export function readSettings(at: Embedded, path: string, emitter: Emitter): void {
  switch (/\.(\w+)$/.exec(path)?.[1]?.toLowerCase()) {
    case 'yaml':
    case 'yml':
      return readYaml(at, emitter)
    case 'toml':
      return readToml(at, emitter)
    case 'xml':
      return readXml(at, emitter)
    case 'csv':
      return readCsv(at, emitter)
    default:
      return readJson(at, emitter)
  }
}
