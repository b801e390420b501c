import { Box, Flex, Spinner, Text } from '@chakra-ui/react'
import { LIMITS, type Site } from '@undo-ink/contracts'
import { NAME_ENCODINGS, type NameEncoding } from '@undo-ink/core'
import { useRef, useState } from 'react'
import { type FileWithPath, useDropzone } from 'react-dropzone'
import { useNavigate } from 'react-router'
import { useSendCopy } from '../../api/sites.ts'
import { sortOut } from '../../api/uploads.ts'
import { ActButton } from '../../components/act-button.tsx'
import { Choice } from '../../components/choice.tsx'
import { StageHead } from '../../components/stage-head.tsx'
import { bytes, count, NAME_ENCODING_WORDS, number } from '../../components/words.ts'
import { JobTrouble, troubleOf, troubleOfJob } from './job-trouble.tsx'

/** Takes the copy of a site that has none yet. */
export function FirstIntake({ site }: { site: Site }) {
  const navigate = useNavigate()
  const send = useSendCopy(site.id)
  const folder = useRef<HTMLInputElement>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [names, setNames] = useState<NameEncoding | ''>('')
  const take = (files: readonly FileWithPath[]) => {
    const chosen = sortOut(files)
    setProblem('problem' in chosen ? chosen.problem : null)
    send.reset()
    if (!('problem' in chosen))
      send.mutate({ ...chosen, names }, { onSuccess: () => navigate(`/sites/${site.id}/intake`) })
  }
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    onDrop: take,
    noClick: true,
    noKeyboard: true,
    disabled: send.isPending,
  })
  // What was sent may have failed before this screen gave way to the one that watches it.
  const trouble =
    problem !== null
      ? { title: problem, isFault: true }
      : send.error
        ? troubleOf(send.error)
        : send.isPending
          ? null
          : troubleOfJob(site.job)
  return (
    <Box as="main" w="100%" maxW="860px" mx="auto" p="6">
      <StageHead
        title="Intake"
        sentence={`${site.name} has no copy yet. What you give is kept exactly as it is; all work is done on top of it.`}
      />
      <Flex
        {...getRootProps()}
        direction="column"
        align="center"
        justify="center"
        gap="4"
        minH="280px"
        p="8"
        textAlign="center"
        bg={isDragActive ? 'tint' : 'sheet'}
        border="2px dashed"
        borderColor={isDragActive ? 'ink' : 'strong'}
        borderRadius="sheet"
      >
        <input {...getInputProps({ 'aria-label': 'ZIP or files of the site' })} />
        <input
          ref={folder}
          type="file"
          hidden
          aria-label="Folder of the site"
          {...{ webkitdirectory: '' }}
          onChange={(event) => {
            take([...(event.target.files ?? [])])
            event.target.value = ''
          }}
        />
        {send.isPending ? (
          <Flex role="status" gap="3" align="center">
            <Spinner size="sm" />
            <Text>Sending {count(send.variables.uploads.length, 'file')} …</Text>
          </Flex>
        ) : (
          <>
            <Text fontSize="18px" fontWeight="600">
              Drop the folder or the ZIP of the site here
            </Text>
            <Flex gap="2" wrap="wrap" justify="center">
              <ActButton main onClick={() => folder.current?.click()}>
                Choose a folder
              </ActButton>
              <ActButton onClick={open}>Choose a ZIP or files</ActButton>
            </Flex>
            <Text fontSize="13px" color="soft">
              Up to {number(LIMITS.files)} files and {bytes(LIMITS.totalBytes)} in all. Files over{' '}
              {bytes(LIMITS.fileBytes)} are listed and left out.
            </Text>
            <Choice
              label="File names of an old ZIP"
              value={names}
              options={[
                ['', 'read as most likely'],
                ...NAME_ENCODINGS.map((each) => [each, NAME_ENCODING_WORDS[each]] as const),
              ]}
              onChoose={(value) => setNames(value as NameEncoding | '')}
            />
          </>
        )}
      </Flex>
      <Box aria-live="assertive" mt="4">
        {trouble ? (
          <JobTrouble
            {...trouble}
            after={trouble.isFault ? 'Nothing was stored. Mend it and drop it again.' : 'Nothing was stored.'}
          />
        ) : null}
      </Box>
    </Box>
  )
}
