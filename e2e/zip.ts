import yauzl from 'yauzl'
import { ZipFile } from 'yazl'

/** Every file of a ZIP by its path. */
export function unzip(file: string): Promise<Map<string, Buffer>> {
  return new Promise((resolve, reject) => {
    const files = new Map<string, Buffer>()
    yauzl.open(file, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error)
      zip.on('entry', (entry) =>
        zip.openReadStream(entry, async (failed, stream) => {
          if (failed) return reject(failed)
          files.set(entry.fileName, Buffer.concat(await stream.toArray()))
          zip.readEntry()
        }),
      )
      zip.on('end', () => resolve(files))
      zip.readEntry()
    })
  })
}

export async function zipOf(files: Readonly<Record<string, string>>): Promise<Buffer> {
  const zip = new ZipFile()
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), path)
  zip.end()
  const chunks: Buffer[] = []
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}
