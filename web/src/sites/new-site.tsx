import { Flex, Heading, Input, NativeSelect, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { type ListedClient, newSiteSchema } from '@undo-ink/contracts'
import { useForm } from 'react-hook-form'
import { useNavigate } from 'react-router'
import * as z from 'zod'
import { ApiError } from '../api/client.ts'
import { useMakeSite } from '../api/sites.ts'
import { ActButton } from '../components/act-button.tsx'
import { Sheet } from '../components/sheet.tsx'
import { TextField } from '../components/text-field.tsx'
import { count } from '../components/words.ts'

/** What is typed: a client who is here by id, or a new one, called as the site where nothing else is typed. */
const formSchema = newSiteSchema.pick({ name: true }).extend({
  clientId: z.string(),
  clientName: z.string().max(120, 'At most 120 characters'),
})

/** The form that makes a site, for a client who is here or a new one. */
export function NewSite({ clients }: { clients: readonly ListedClient[] }) {
  const navigate = useNavigate()
  const make = useMakeSite()
  const { register, handleSubmit, formState, setError, watch } = useForm({
    resolver: zodResolver(formSchema),
    defaultValues: { name: '', clientId: '', clientName: '' },
  })
  const clientId = watch('clientId')
  const chosen = clients.find(({ id }) => id === clientId) ?? null
  const submit = handleSubmit(({ name, clientName }) => {
    const client = chosen ? { id: chosen.id } : clientName.trim() === '' ? undefined : { name: clientName }
    return make
      .mutateAsync({ name, ...(client ? { client } : {}) })
      .then((site) => navigate(`/sites/${site.id}/intake`))
      .catch((error: Error) => {
        const isOfClient = error instanceof ApiError && error.code === 'client-exists'
        setError(isOfClient ? 'clientName' : 'name', { message: error.message }, { shouldFocus: true })
      })
  })
  const problems = formState.errors
  return (
    <Sheet as="section" aria-label="New site" flex="0 1 300px" p="5">
      <Heading as="h2" fontSize="16px" mb="3">
        New site
      </Heading>
      <form onSubmit={submit} noValidate>
        <Flex direction="column" gap="3" align="flex-start">
          <TextField label="Name of the site" width="100%" problem={problems.name?.message}>
            <Input {...register('name')} size="sm" autoComplete="off" />
          </TextField>
          {clients.length === 0 ? null : (
            <TextField label="Client" width="100%" problem={undefined}>
              <NativeSelect.Root size="sm">
                <NativeSelect.Field {...register('clientId')} borderColor="strong">
                  <option value="">a new client</option>
                  {clients.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </NativeSelect.Field>
                <NativeSelect.Indicator />
              </NativeSelect.Root>
            </TextField>
          )}
          {chosen ? (
            <Text fontSize="13px" color="soft">
              It takes the client’s palette, which serves {count(chosen.sites, 'site')} now.
            </Text>
          ) : (
            <TextField label="Name of the client" width="100%" problem={problems.clientName?.message}>
              <Input {...register('clientName')} size="sm" autoComplete="off" placeholder="called as the site" />
            </TextField>
          )}
          <ActButton type="submit" main loading={formState.isSubmitting}>
            Make the site
          </ActButton>
        </Flex>
      </form>
    </Sheet>
  )
}
