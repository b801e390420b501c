import { Box, chakra, Flex, Text } from '@chakra-ui/react'
import { missingRoles, type Offer, type Refusal, type Remark, readPalette } from '@undo-ink/core'
import { useMemo, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { ActButton } from '../../../components/act-button.tsx'
import { WideDialog } from '../../../components/wide-dialog.tsx'
import { bytes, count } from '../../../components/words.ts'
import { readImagePalette } from '../../../picking/image-palette.ts'
import { isImageName } from '../../../picking/pixels.ts'
import { useWork } from '../../../work/work.tsx'
import { type Taking, takingProblems, takingsOf, withTakings } from './taking.ts'
import { TakingRow } from './taking-row.tsx'
import { TurnedScheme } from './turned-scheme.tsx'

/** Longer files are no palettes. */
const MOST_BYTES = 2 * 1024 * 1024
const MOST_IMAGE_BYTES = 30 * 1024 * 1024
const MOST_COLORS = 150

interface BringInDialogProps {
  readonly open: boolean
  onClose(): void
}

/** Colors that the client sent: pasted, or as a file. What would become which role is seen before anything is taken. */
export function BringInDialog({ open, onClose }: BringInDialogProps) {
  return (
    <WideDialog title="Bring colours in" open={open} width="820px" onClose={onClose}>
      <BringIn onDone={onClose} />
    </WideDialog>
  )
}

function BringIn({ onDone }: { onDone(): void }) {
  const { roles, store } = useWork()
  const [text, setText] = useState('')
  const [fileName, setFileName] = useState('')
  const [trouble, setTrouble] = useState<string | null>(null)
  const [changed, setChanged] = useState<ReadonlyMap<number, Taking>>(new Map())
  const [given, setGiven] = useState<Offer | null>(null)
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
  const read = (next: string, name: string) => {
    setText(next)
    setFileName(name)
    setGiven(null)
    setChanged(new Map())
    setTrouble(null)
  }
  const take = async (file: File) => {
    const isImage = isImageName(file.name)
    const most = isImage ? MOST_IMAGE_BYTES : MOST_BYTES
    if (file.size > most) {
      setTrouble(`${file.name} is too large for a palette: up to ${bytes(most)} is read.`)
      return
    }
    if (!isImage) return read(await file.text(), file.name)
    try {
      const found = await readImagePalette(new Uint8Array(await file.arrayBuffer()), file.name)
      read('', file.name)
      setGiven(found)
    } catch {
      setTrouble(`${file.name} cannot be shown: it is no image that this browser knows, or a broken one.`)
    }
  }
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: ([file]) => {
      if (file) void take(file)
    },
    noClick: true,
    noKeyboard: true,
    multiple: false,
  })
  return (
    <Box {...getRootProps()} bg={isDragActive ? 'tint' : undefined}>
      <input {...getInputProps()} aria-label="Palette file" />
      <chakra.label display="block" fontSize="13px">
        The lines of a mail, custom properties, or a file: design tokens, .gpl, CSV, CSS, SCSS, a logo or another image
        <chakra.textarea
          value={text}
          onChange={(event) => read(event.target.value, '')}
          rows={5}
          mt="1"
          p="2"
          w="100%"
          fontFamily="mono"
          fontSize="13px"
          border="1px solid"
          borderColor="strong"
          borderRadius="3px"
          spellCheck={false}
          placeholder={'primary: #0b6e74\naccent d9822b'}
        />
      </chakra.label>
      <Flex gap="3" align="center" mt="1" mb="3">
        <ActButton h="28px" onClick={open}>
          Choose a file …
        </ActButton>
        {lacking.colors.length === 0 ? null : (
          <ActButton
            h="28px"
            onClick={() => {
              read('', '')
              setGiven(lacking)
            }}
          >
            Propose what is lacking
          </ActButton>
        )}
        <Text fontSize="13px" role="status">
          {text.trim() === '' && given === null ? '' : summary(offer, fileName)}
        </Text>
      </Flex>
      <TurnedScheme
        onOffer={(scheme) => {
          read('', '')
          setGiven(scheme)
        }}
      />
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
            border="1px solid"
            borderColor="edge"
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
