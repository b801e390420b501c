import { Box, Flex, Input, Text } from '@chakra-ui/react'
import { newViewSchema } from '@undo-ink/contracts'
import { type FormEvent, useState } from 'react'
import { Link } from 'react-router'
import { useForgetView, useKeepView, useViews } from '../../api/views.ts'
import { ActButton } from '../../components/act-button.tsx'
import { PopupButton } from '../../components/popup-button.tsx'
import { useCopy } from '../../work/work.tsx'

/** The views that are kept for the site, and the act that keeps this one. @param query what the address says now */
export function ViewsMenu({ query }: { query: string }) {
  return (
    <PopupButton label="Views" width="320px">
      {() => <Views query={query} />}
    </PopupButton>
  )
}

function Views({ query }: { query: string }) {
  const { site } = useCopy()
  const { data: views, error } = useViews(site.id)
  const keep = useKeepView(site.id)
  const forget = useForgetView(site.id)
  const [name, setName] = useState('')
  const checked = newViewSchema.safeParse({ name, query })
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (checked.success) keep.mutate(checked.data, { onSuccess: () => setName('') })
  }
  const trouble = error ?? keep.error ?? forget.error
  return (
    <Box fontSize="13px">
      {views?.length === 0 ? (
        <Text color="soft" mb="2">
          No view is kept yet. What is chosen, sought and grouped here can be kept under a name.
        </Text>
      ) : null}
      <Box as="ul" listStyleType="none" maxH="240px" overflow="auto">
        {views?.map((view) => (
          <Flex as="li" key={view.id} align="center" gap="2" h="30px">
            <Text flex="1" truncate textDecoration="underline" asChild>
              <Link to={`/sites/${site.id}/ledger/places?${view.query}`}>{view.name}</Link>
            </Text>
            <ActButton
              h="24px"
              px="2"
              fontSize="12px"
              aria-label={`Forget ${view.name}`}
              onClick={() => forget.mutate(view.id)}
            >
              Forget
            </ActButton>
          </Flex>
        ))}
      </Box>
      <Flex as="form" gap="2" mt="2" onSubmit={submit}>
        <Input
          h="28px"
          aria-label="Name of this view"
          placeholder="Keep this view as …"
          value={name}
          onChange={(event) => {
            setName(event.target.value)
            keep.reset()
          }}
        />
        <ActButton type="submit" h="28px" disabled={!checked.success || keep.isPending}>
          Keep
        </ActButton>
      </Flex>
      {trouble ? (
        <Text role="alert" mt="2" fontWeight="600">
          <span aria-hidden>▲</span> {trouble.message}
        </Text>
      ) : null}
    </Box>
  )
}
