import { crc32, deflateRawSync } from 'node:zlib'

interface RawEntry {
  readonly name: string | Buffer
  readonly text: string | Buffer
  /** As its headers say it; left out: as it is. */
  readonly size?: number
  readonly crc?: number
  readonly attributes?: number
  readonly flags?: number
}

/** A ZIP with entries under any names, which well-behaved packers refuse to write. */
export function rawZip(entries: readonly RawEntry[]): Buffer {
  const parts: Buffer[] = []
  const directory: Buffer[] = []
  let at = 0
  for (const { name, text, attributes = 0, flags = 0x800, ...about } of entries) {
    const [file, data] = [Buffer.from(name as string), Buffer.from(text as string)]
    const { size = data.length, crc = crc32(data) } = about
    const packed = deflateRawSync(data)
    const local = Buffer.alloc(30)
    local.writeUInt32LE(0x04034b50, 0)
    local.writeUInt16LE(20, 4)
    local.writeUInt16LE(flags, 6)
    local.writeUInt16LE(8, 8)
    local.writeUInt32LE(crc, 14)
    local.writeUInt32LE(packed.length, 18)
    local.writeUInt32LE(size, 22)
    local.writeUInt16LE(file.length, 26)
    const central = Buffer.alloc(46)
    central.writeUInt32LE(0x02014b50, 0)
    central.writeUInt16LE(0x0314, 4)
    central.writeUInt16LE(20, 6)
    central.writeUInt16LE(flags, 8)
    central.writeUInt16LE(8, 10)
    central.writeUInt32LE(crc, 16)
    central.writeUInt32LE(packed.length, 20)
    central.writeUInt32LE(size, 24)
    central.writeUInt16LE(file.length, 28)
    central.writeUInt32LE(attributes, 38)
    central.writeUInt32LE(at, 42)
    parts.push(local, file, packed)
    directory.push(central, file)
    at += local.length + file.length + packed.length
  }
  const end = Buffer.alloc(22)
  end.writeUInt32LE(0x06054b50, 0)
  end.writeUInt16LE(entries.length, 8)
  end.writeUInt16LE(entries.length, 10)
  end.writeUInt32LE(Buffer.concat(directory).length, 12)
  end.writeUInt32LE(at, 16)
  return Buffer.concat([...parts, ...directory, end])
}
