import { Box, Flex, Input, Text } from '@chakra-ui/react'
import type { SiteSummary } from '@undo-ink/contracts'
import { useId, useState } from 'react'
import { useDeletedSites, useSiteAct } from '../api/sites.ts'
import { ActButton } from '../components/act-button.tsx'
import { PopupButton } from '../components/popup-button.tsx'
import { Sheet } from '../components/sheet.tsx'
import { count, day } from '../components/words.ts'

/** Renames a site or its client, or deletes one of them, with what is lost said first. */
export function SiteActs({ site }: { site: SiteSummary }) {
  return (
    <Box position="relative" zIndex="1">
      <PopupButton label={`Rename or delete ${site.name}`} says="Rename, delete" width="320px">
        {(close) => (
          <Flex direction="column" gap="3" fontSize="13px">
            <Rename of="sites" what="the site" id={site.id} name={site.name} onDone={close} />
            <Rename of="clients" what="the client" id={site.client.id} name={site.client.name} onDone={close} />
            <Delete
              of="sites"
              id={site.id}
              says="Delete the site"
              loses={
                site.receivedAt
                  ? `its copy of ${count(site.files, 'file')} and all ${count(site.decided, 'decided place')}`
                  : 'nothing yet but its name'
              }
              onDone={close}
            />
            {site.ofClient > 1 ? (
              <Delete
                of="clients"
                id={site.client.id}
                says={`Delete ${site.client.name} with all sites`}
                loses={`${count(site.ofClient, 'site')} and the palette`}
                onDone={close}
              />
            ) : null}
          </Flex>
        )}
      </PopupButton>
    </Box>
  )
}

interface ActProps {
  readonly of: 'sites' | 'clients'
  readonly id: string
  onDone(): void
}

function Rename({ of, id, what, name, onDone }: ActProps & { readonly what: string; readonly name: string }) {
  const act = useSiteAct()
  const [typed, setTyped] = useState(name)
  const field = useId()
  const isOther = typed.trim() !== '' && typed.trim() !== name
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (isOther) act.mutate({ kind: 'rename', of, id, name: typed.trim() }, { onSuccess: onDone })
      }}
    >
      <label htmlFor={field}>Name of {what}</label>
      <Flex gap="2" mt="1">
        <Input
          id={field}
          value={typed}
          maxLength={120}
          onChange={(event) => setTyped(event.target.value)}
          autoComplete="off"
        />
        <ActButton type="submit" h="26px" disabled={!isOther || act.isPending}>
          Rename
        </ActButton>
      </Flex>
      <Trouble error={act.error} />
    </form>
  )
}

function Delete({ of, id, says, loses, onDone }: ActProps & { readonly says: string; readonly loses: string }) {
  const act = useSiteAct()
  const [isAsked, setAsked] = useState(false)
  return (
    <Box borderTopWidth="1px" pt="2">
      {isAsked ? (
        <>
          <Text mb="2">
            <span aria-hidden>▲</span> This takes away {loses}. For 30 days it can be brought back; then it is gone.
          </Text>
          <Flex gap="2">
            <ActButton
              main
              h="28px"
              disabled={act.isPending}
              onClick={() => act.mutate({ kind: 'delete', of, id }, { onSuccess: onDone })}
            >
              {says}
            </ActButton>
            <ActButton h="28px" onClick={() => setAsked(false)}>
              Keep it
            </ActButton>
          </Flex>
        </>
      ) : (
        <ActButton h="28px" onClick={() => setAsked(true)}>
          {says} …
        </ActButton>
      )}
      <Trouble error={act.error} />
    </Box>
  )
}

function Trouble({ error }: { error: Error | null }) {
  return error ? (
    <Text role="alert" fontWeight="600" mt="1">
      <span aria-hidden>▲</span> {error.message}
    </Text>
  ) : null
}

/** What was deleted and can still be brought back. */
export function DeletedSites() {
  const { data: deleted = [] } = useDeletedSites()
  const act = useSiteAct()
  if (deleted.length === 0) return null
  return (
    <Sheet as="section" aria-label="Deleted sites" mt="4" px="5" py="3" fontSize="13px">
      <Text fontWeight="600">Deleted, and still there</Text>
      {deleted.map(({ id, name, client, goneAt }) => (
        <Flex key={id} justify="space-between" align="center" gap="3" py="1">
          <Text>
            {name}
            {client === name ? '' : ` for ${client}`}, until {day(goneAt)}
          </Text>
          <ActButton
            h="26px"
            disabled={act.isPending}
            aria-label={`Bring ${name} back`}
            onClick={() => act.mutate({ kind: 'restore', id })}
          >
            Bring it back
          </ActButton>
        </Flex>
      ))}
      <Trouble error={act.error} />
    </Sheet>
  )
}
