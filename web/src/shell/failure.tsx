import { Box, Flex } from '@chakra-ui/react'
import { Link, useRouteError } from 'react-router'
import { ApiError } from '../api/client.ts'
import { ActButton } from '../components/act-button.tsx'
import { Note } from '../components/note.tsx'
import { PlainHeader } from './header.tsx'

/** What is shown instead of a screen that cannot be. */
export function Failure() {
  const error = useRouteError()
  const known = error instanceof ApiError
  return (
    <Flex direction="column" minH="100%">
      <PlainHeader />
      <Box as="main" p="6" maxW="560px">
        <Note shape="▲" title={known ? error.message : 'This screen cannot be shown'}>
          {known ? error.detail : 'Nothing that was saved is lost.'}
        </Note>
        <Flex gap="2" mt="4">
          <ActButton main onClick={() => location.reload()}>
            Try again
          </ActButton>
          <ActButton asChild>
            <Link to="/">All sites</Link>
          </ActButton>
        </Flex>
      </Box>
    </Flex>
  )
}
