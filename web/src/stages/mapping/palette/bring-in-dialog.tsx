import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { missingRoles, type Offer, type Refusal, type Remark, readPalette } from '@undo-ink/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { type FileWithPath, useDropzone } from 'react-dropzone'
import { ActButton } from '../../../components/act-button.tsx'
import { Dialog } from '../../../components/dialog.tsx'
import { count } from '../../../components/words.ts'
import { usePlan } from '../../../work/work.tsx'
import { offerOfFiles } from './offered-files.ts'
import { type Taking, takingProblems, takingsOf, withTakings } from './taking.ts'
import { TakingRow } from './taking-row.tsx'
import { TurnedScheme } from './turned-scheme.tsx'

const MOST_COLORS = 150

interface BringInDialogProps {
  readonly open: boolean
  /** What is proposed to begin with; left out: nothing. */
  readonly proposal?: Offer | null
  onClose(): void
}

/** Colors that the client sent: pasted, or as a file. What would become which role is seen before anything is taken. */
export function BringInDialog({ open, proposal = null, onClose }: BringInDialogProps) {
  return (
    <Dialog title="Bring colours in" open={open} width="820px" onClose={onClose}>
      <BringIn proposal={proposal} onDone={onClose} />
    </Dialog>
  )
}

function BringIn({ proposal, onDone }: { proposal: Offer | null; onDone(): void }) {
  const { roles, store } = usePlan()
  const [text, setText] = useState('')
  const [fileName, setFileName] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  const [changed, setChanged] = useState<ReadonlyMap<number, Taking>>(new Map())
  const [given, setGiven] = useState<Offer | null>(proposal)
  const [note, setNote] = useState('')
  const [reading, setReading] = useState<AbortController | null>(null)
  const folder = useRef<HTMLInputElement>(null)
  useEffect(() => () => reading?.abort(), [reading])
  const lacking = useMemo(() => missingRoles(roles), [roles])
  const offer = useMemo(() => given ?? readPalette(text, fileName), [given, text, fileName])
  const takings = useMemo(
    () =>
      takingsOf({ ...offer, colors: offer.colors.slice(0, MOST_COLORS) }, roles).map(
        (taking, i) => changed.get(i) ?? taking,
      ),
    [offer, roles, changed],
  )
  const problems = useMemo(() => takingProblems(takings, roles), [takings, roles])
  const taken = takings.filter((each) => each.taken).length
  const read = (next: string, name: string, found: Offer | null = null, said = '') => {
    setText(next)
    setFileName(name)
    setGiven(found)
    setNote(said)
    setChanged(new Map())
    setTrouble(null)
    setReading(null)
  }
  const take = async (files: readonly FileWithPath[]) => {
    const abort = new AbortController()
    setTrouble(null)
    setReading(abort)
    const found = await offerOfFiles(files, abort.signal).catch((error: Error) => error.message)
    if (abort.signal.aborted) return
    if (typeof found === 'string') {
      setReading(null)
      setTrouble(found)
    } else read(found.text, found.name, found.text === '' ? found.offer : null, found.note)
  }
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: (files) => {
      if (files.length > 0) void take(files)
    },
    noClick: true,
    noKeyboard: true,
  })
  return (
    <Box {...getRootProps()} bg={isDragActive ? 'tint' : undefined}>
      <input {...getInputProps()} aria-label="Palette file" />
      <input
        ref={folder}
        type="file"
        hidden
        aria-label="Folder of another site"
        {...{ webkitdirectory: '' }}
        onChange={(event) => {
          void take([...(event.target.files ?? [])])
          event.target.value = ''
        }}
      />
      <chakra.label display="block" fontSize="13px">
        The lines of a mail, custom properties, or a file: design tokens, .gpl, CSV, CSS, SCSS, a logo or another image,
        the ZIP of another site
        <chakra.textarea
          value={text}
          onChange={(event) => read(event.target.value, '')}
          rows={5}
          mt="1"
          p="2"
          w="100%"
          fontFamily="mono"
          fontSize="13px"
          borderWidth="1px"
          borderColor="strong"
          borderRadius="3px"
          spellCheck={false}
          placeholder={'primary: #0b6e74\naccent d9822b'}
        />
      </chakra.label>
      <Flex gap="2" align="center" mt="1" mb="3" wrap="wrap">
        <ActButton h="28px" onClick={open}>
          Choose a file …
        </ActButton>
        <ActButton h="28px" onClick={() => folder.current?.click()}>
          Another site’s folder …
        </ActButton>
        {lacking.colors.length === 0 ? null : (
          <ActButton h="28px" onClick={() => read('', '', lacking)}>
            Propose what is lacking
          </ActButton>
        )}
        <Text fontSize="13px" role="status">
          {reading ? 'Reading …' : text.trim() === '' && given === null ? '' : summary(offer, fileName) + note}
        </Text>
        {reading ? (
          <ActButton h="28px" onClick={() => setReading(null)}>
            Stop
          </ActButton>
        ) : null}
      </Flex>
      <TurnedScheme onOffer={(scheme) => read('', '', scheme)} onDone={onDone} />
      {trouble === null ? null : (
        <Text role="alert" fontSize="13px" mb="2">
          <span aria-hidden>▲</span> {trouble}
        </Text>
      )}
      <Refusals offer={offer} />
      {takings.length === 0 ? null : (
        <>
          <Box
            maxH="260px"
            overflow="auto"
            borderWidth="1px"
            tabIndex={0}
            role="region"
            aria-label="What would be taken"
          >
            {takings.map((taking, i) => (
              <TakingRow
                // biome-ignore lint/suspicious/noArrayIndexKey: the rows are those of the text, in its order
                key={i}
                taking={taking}
                remark={remarkText(offer.colors[i]?.remark ?? null)}
                problem={problems.get(i) ?? null}
                onChange={(next) => setChanged(new Map(changed).set(i, next))}
              />
            ))}
          </Box>
          <Flex mt="3" justify="flex-end">
            <ActButton
              main
              disabled={taken === 0 || problems.size > 0}
              onClick={() => {
                store.changePalette(withTakings(roles, takings, () => crypto.randomUUID()))
                onDone()
              }}
            >
              Take {count(taken, 'colour')}
            </ActButton>
          </Flex>
        </>
      )}
    </Box>
  )
}

const FORMAT_WORDS: Readonly<Record<Exclude<Offer['format'], 'proposal'>, string>> = {
  text: 'lines of text',
  tokens: 'a design token file',
  variables: 'variables of a stylesheet',
  gpl: 'a palette file',
  csv: 'a table',
  image: 'the main colours of an image',
  site: 'the most used colours of a site',
}

function summary({ format, colors }: Offer, fileName: string): string {
  const more = colors.length > MOST_COLORS ? ` The first ${MOST_COLORS} are shown.` : ''
  if (format === 'proposal') return `${count(colors.length, 'colour')} proposed.`
  return `${fileName === '' ? '' : `${fileName}: `}${count(colors.length, 'colour')}, read as ${FORMAT_WORDS[format]}.${more}`
}

const REMARK_WORDS: Readonly<Record<Remark, string>> = {
  'hash-added': 'its # was missing',
  'alpha-left-out': 'its alpha was left out: a role is opaque',
  'outside-srgb': 'outside sRGB: kept, shown as near as a screen can',
}

function remarkText(remark: Remark | null): string | null {
  return remark && REMARK_WORDS[remark]
}

const REFUSAL_WORDS: Readonly<Record<Refusal, string>> = {
  'no-color': 'is no colour',
  'leads-to-itself': 'leads to itself',
  'leads-to-nothing': 'leads to nothing',
}

function Refusals({ offer: { refused } }: { offer: Offer }) {
  if (refused.length === 0) return null
  return (
    <Box as="ul" listStyleType="none" fontSize="13px" mb="2" maxH="88px" overflow="auto" aria-label="Not understood">
      {refused.map(({ line, text, why }) => (
        <li key={`${line} ${text}`}>
          <span aria-hidden>▲</span> line {line}: <code>{text}</code> {REFUSAL_WORDS[why]}
        </li>
      ))}
    </Box>
  )
}
