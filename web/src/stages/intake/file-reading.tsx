import { Flex, Text } from '@chakra-ui/react'
import type { Choice, SiteFile } from '@undo-ink/contracts'
import { ActButton } from '../../components/act-button.tsx'
import { SKIP_WORDS, shownPath, THIRD_PARTY_WORDS } from '../../components/words.ts'

interface FileReadingProps {
  readonly file: SiteFile
  readonly busy: boolean
  onChoose(choice: Choice): void
}

/** Whether a file is read, what it is besides, and the act that changes it. */
export function FileReading({ file, busy, onChoose }: FileReadingProps) {
  const act = actOf(file)
  return (
    <Flex align="center" gap="2" minW="0">
      <Text truncate flex="1" color={file.skipped === null ? undefined : 'soft'}>
        <span aria-hidden>{file.skipped === null ? '■' : '□'}</span> {readingText(file)}
      </Text>
      {act ? (
        <ActButton
          h="24px"
          fontSize="12px"
          flex="none"
          disabled={busy}
          aria-label={`${act.says}: ${shownPath(file.path)}`}
          onClick={() => onChoose({ files: [file.id], choice: act.choice })}
        >
          {act.says}
        </ActButton>
      ) : null}
    </Flex>
  )
}

export function readingText({ skipped, thirdParty, generatedFrom }: SiteFile): string {
  const about = [
    ...(thirdParty === null ? [] : [THIRD_PARTY_WORDS[thirdParty]]),
    ...(generatedFrom === null ? [] : [`made from ${generatedFrom}`]),
  ]
  return [skipped === null ? 'read' : SKIP_WORDS[skipped], ...about].join('; ')
}

/** One act at most: a file that is left out is taken in, third-party code and generated copies are left out. */
function actOf({ skipped, thirdParty, generatedFrom }: SiteFile): { says: string; choice: Choice['choice'] } | null {
  if (skipped === 'third-party') return { says: 'Take in', choice: 'take-in' }
  if (skipped === 'set-aside') return { says: 'Take in', choice: thirdParty === null ? null : 'take-in' }
  if (skipped !== null) return null
  if (thirdParty !== null) return { says: 'Leave out', choice: null }
  return generatedFrom === null ? null : { says: 'Leave out', choice: 'set-aside' }
}
