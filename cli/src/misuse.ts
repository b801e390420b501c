/** The call or a file that it names is wrong: told on the error stream, exit status 2. */
export class Misuse extends Error {
  override name = 'Misuse'
}
