import { Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form } from 'react-router'
import { accountForm } from '~/contracts/forms/accounts'
import { Button } from '../../ui/button'
import { Message } from '../../ui/layout'
import { AccountFields } from './account-fields'
import { Door } from './sign-in-page'

export function FirstRunPage({ lastResult }: { lastResult?: SubmissionResult }) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: accountForm }),
  })
  return (
    <Door title="Make the first account">
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <Stack gap="16px">
          <p>Nobody has an account here yet. The first one is yours; you add co-facilitators afterwards.</p>
          {form.errors && <Message kind="problem">{form.errors.join(' ')}</Message>}
          <AccountFields fields={fields} />
          <Button type="submit" kind="main">
            Make the account
          </Button>
        </Stack>
      </Form>
    </Door>
  )
}
