import { chakra, Flex } from '@chakra-ui/react'
import { useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useFetcher } from 'react-router'
import { linkForm } from '~/contracts/forms/material'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'

/** A page elsewhere becomes part of the library. */
export function AddLink() {
  const fetcher = useFetcher()
  const [form, fields] = useForm({
    lastResult: fetcher.state === 'idle' ? fetcher.data : undefined,
    onValidate: ({ formData }) => parseWithZod(formData, { schema: linkForm }),
    shouldRevalidate: 'onInput',
  })
  return (
    <chakra.details mb="20px">
      <chakra.summary cursor="pointer" fontWeight="600">
        Add a link
      </chakra.summary>
      <fetcher.Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <input type="hidden" name="intent" value="link" />
        <Flex gap="12px" wrap="wrap" align="flex-start" pt="8px">
          <Field label="Called" errors={fields.title.errors}>
            {parts => <Input {...parts} name="title" w="260px" defaultValue={fields.title.initialValue} />}
          </Field>
          <Field label="Address" errors={fields.address.errors}>
            {parts => (
              <Input
                {...parts}
                type="url"
                name="address"
                w="320px"
                placeholder="https://…"
                defaultValue={fields.address.initialValue}
              />
            )}
          </Field>
          <Button type="submit" mt="24px" disabled={fetcher.state !== 'idle'}>
            Add the link
          </Button>
        </Flex>
      </fetcher.Form>
    </chakra.details>
  )
}
