import { readdir } from 'node:fs/promises'
import { connect, type Socket } from 'node:net'
import { tmpdir } from 'node:os'
import type { Harness } from './harness.ts'

/** Temporary folders of this process. */
export const folders = async () =>
  (await readdir(tmpdir())).filter((name) => name.startsWith(`undo-ink-${process.pid}-`))
/** The refusal in an answer as it came. */
export const problem = (answer: string) => JSON.parse(answer.slice(answer.indexOf('{'), answer.lastIndexOf('}') + 1))

/** Begins to send a copy of 100 MB as a browser would, and then sends nothing more. */
export async function beginUpload({ port }: Harness, siteId: string): Promise<Socket> {
  const socket = connect(port, '127.0.0.1')
  socket.on('error', () => {})
  const part = '--x\r\nContent-Disposition: form-data; name="zip"; filename="a.zip"\r\n\r\nPK'
  const head = `POST /api/sites/${siteId}/copy HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\nContent-Type: multipart/form-data; boundary=x\r\nContent-Length: 100000000\r\n\r\n`
  await new Promise<void>((resolve) => socket.write(head + part, () => resolve()))
  return socket
}

/** All that comes until the other side ends it, or has answered. */
export async function answerOf(socket: Socket): Promise<string> {
  let text = ''
  for await (const bytes of socket) {
    text += bytes
    if (text.includes('}')) break
  }
  return text
}
