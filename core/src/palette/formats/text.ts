import { COLOR_NAMES } from '../../color/names.ts'
import { jobsIn } from '../jobs.ts'
import { type Offer, type Offered, offered, type Refused, refused } from './offer.ts'

/** Three numbers as people dictate them: `RGB 14 90 79`, `R14 G90 B79`. */
const SPOKEN = String.raw`\brgb\s*:?\s*\d{1,3}\s*[,/;|\s]\s*\d{1,3}\s*[,/;|\s]\s*\d{1,3}(?!\d)|\bR\s*[:=]?\s*\d{1,3}[,;/\s]+G\s*[:=]?\s*\d{1,3}[,;/\s]+B\s*[:=]?\s*\d{1,3}(?!\d)`

/** A color as people write it into a mail: a hex value, a function, three numbers, or six digits without their `#`. */
const WRITTEN = new RegExp(
  String.raw`#[\da-f]{3,8}(?![\da-z])|\b(?:rgba?|hsla?|hwb|lab|lch|oklab|oklch|color)\([^()]{1,100}\)|${SPOKEN}|(?<![\w#.,-])(?=[a-f]*\d)[\da-f]{6}(?![\w-])`,
  'gi',
)

/** Longer lines are no names of colors, and hold none. */
const LONGEST = 1000

/** How a sentence goes on behind a color to say what it is for. */
const SAYS_JOB =
  /^["')\]\s,]*(?:(?:which|that|it)\s+)?(?:is|are|should be|shall be|will be|must be|goes|go|becomes|stays|as|for|to|used|we use it|means)\b\s*(?:used\s+)?(?:(?:for|as|on|in|to|with)\b\s*)?/i

/** What asks for a color rather than naming it. */
const ASKS = /^(?:please\s+)?(?:we\s+)?(?:use|take|try|with|and|also)$/i

/** What comes before what a color is called or for. */
const PRELUDE = /^(?:(?:hi|hello|dear)\b[^,!:]{0,40}[,!:]\s*)?(?:(?:and|but|while|then|also|for)\s+)*/i

/** A job and then a name for it: `the main colour is Pine`, `for links use Lagoon`, `Warnings: ember`. */
const JOB_THEN_NAME =
  /^(.{2,60}?)(?:\s+(?:is|are|use|takes?|becomes?|(?:will|should|shall|must) be)(?:\s+called)?\s+|\s*[:=]\s*)(\p{L}[\p{L}\d-]*(?:\s[\p{L}\d-]+){0,2})$/iu

/** What no name has in it: such words go on about a job. */
const NO_NAME = /\b(?:for|as|on|in|to|the|our|use)\b/i

/** Who speaks is no job. */
const SPEAKER = /^(?:we|you|i|they|please)$/i

/** What says that colors follow, and nothing of what they are for: `Our new colours: …` */
const ANNOUNCES = /\b(?:colou?rs|palette|scheme)$/i

/** Words between two colors that are of the second alone. */
const OF_THE_NEXT = /^[,;.\s]*(?:and\s+)?for\b[^,;.]*\b(?:use|take)\b/i

/** Where a sentence ends, or another begins. */
const SENTENCE_END = /[.;!?](?:\s|$)/

/**
 * The colors of a pasted text, several on a line or one on each. The words before a color are its name; what the sentence goes on to say is its job, and its name where it has no other. A
 * name with a `#` behind it that begins no color is refused; any other line without a color is what people write around them, and left out.
 */
export function readText(text: string): Offer {
  const colors: Offered[] = []
  const lost: Refused[] = []
  text.split(/\r\n|\r|\n/).forEach((whole, i) => {
    const line = whole.slice(0, LONGEST)
    const found = [...line.matchAll(WRITTEN)]
    if (found.length === 0) {
      const [, name = '', word = ''] = /^\s*([^:=]{1,60}?)\s*[:=]\s*(\S+?)[\s;,.]*$/.exec(line) ?? []
      const color = COLOR_NAMES.has(word.toLowerCase()) ? offered(nameIn(name), word, i + 1) : null
      if (color) colors.push(color)
      else if (name !== '' && word.startsWith('#')) lost.push(refused(i + 1, line, 'no-color'))
      return
    }
    let before = line.slice(0, found[0]?.index)
    found.forEach((match, n) => {
      const next = found[n + 1]
      const between = line.slice(match.index + match[0].length, next?.index ?? line.length)
      const { behind, rest } = divided(between, next !== undefined)
      const job = jobIn(behind)
      const { called, forWhat } = askedFor(lastSentence(before))
      const name = called ?? job ?? (found.length === 1 ? nameIn(behind) : null)
      const said = [forWhat, called === null ? null : job].filter((each) => each !== null).join('; ')
      before = rest
      const spoken = spokenColor(match[0])
      const color = offered(name, spoken ?? match[0], i + 1, /^[\da-f]{6}$/i.test(match[0]))
      if (!color) lost.push(refused(i + 1, match[0], 'no-color'))
      else colors.push(said === '' ? color : { ...color, description: said })
    })
  })
  return { format: 'text', colors, refused: lost }
}

/** Three numbers as a color of CSS; null: they are written otherwise, or none. */
function spokenColor(text: string): string | null {
  if (text.includes('(') || !/^r/i.test(text)) return null
  const numbers = text.match(/\d+/g)?.map(Number) ?? []
  return numbers.length === 3 && numbers.every((each) => each <= 255) ? `rgb(${numbers.join(', ')})` : null
}

/** The words between two colors: what is still said of the first, and what begins to name the second. */
function divided(between: string, hasNext: boolean): { behind: string; rest: string } {
  if (!hasNext) return { behind: between, rest: '' }
  if (!SAYS_JOB.test(between) || OF_THE_NEXT.test(between)) return { behind: '', rest: between }
  const cut = [...between.matchAll(/[,.;]\s|\s(?:and|while|but|then)\s/gi)].at(-1)
  return cut
    ? { behind: between.slice(0, cut.index), rest: between.slice(cut.index + cut[0].length) }
    : { behind: between, rest: '' }
}

/** What a sentence says that a color is for; null: it says nothing of it. */
function jobIn(behind: string): string | null {
  const start = SAYS_JOB.exec(behind.replace(/^\s*\(/, ''))
  if (!start) return null
  const said = behind.replace(/^\s*\(/, '').slice(start[0].length)
  return nameIn(said.slice(0, SENTENCE_END.exec(said)?.index ?? said.length))
}

/** What the words before a color call it, and what they say that it is for; null: nothing. */
function askedFor(before: string): { called: string | null; forWhat: string | null } {
  const words = nameIn(before)?.replace(PRELUDE, '') ?? ''
  if (words === '' || ASKS.test(words)) return { called: null, forWhat: null }
  const [, job = '', name = ''] = JOB_THEN_NAME.exec(words) ?? []
  if (name === '' || NO_NAME.test(name)) return { called: nameIn(words), forWhat: null }
  return { called: nameIn(name), forWhat: saysNothing(job) ? null : nameIn(job) }
}

function saysNothing(job: string): boolean {
  return SPEAKER.test(job) || (ANNOUNCES.test(job) && jobsIn(job).length === 0)
}

/** What stands before a color in its own sentence. */
function lastSentence(before: string): string {
  return before.split(SENTENCE_END).at(-1) ?? ''
}

/** What words around a color call it: bullets, quotes, dashes and colons taken off. */
function nameIn(words: string): string | null {
  const name = words
    .replace(/^[\s\-–—*•·>,;.:="'()|]+|[\s\-–—:=,;."'()|]+$/g, '')
    .replace(/\s+/g, ' ')
    .trim()
  return /\p{L}/u.test(name) && name.length <= 60 ? name : null
}
