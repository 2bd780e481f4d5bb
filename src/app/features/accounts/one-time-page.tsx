import { Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form } from 'react-router'
import { oneTimeForm } from '~/contracts/forms/accounts'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { PasswordField } from './account-fields'
import { Door } from './sign-in-page'

interface OneTimePageProps {
  displayName: string
  email: string
  lastResult?: SubmissionResult
}

/** Whoever holds a link for one use chooses the password of their account. */
export function OneTimePage({ displayName, email, lastResult }: OneTimePageProps) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: oneTimeForm }),
  })
  return (
    <Door title={`A password for ${displayName}`}>
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <Stack gap="16px">
          <p>This link works once. A password you had before works no longer after that.</p>
          <Field label="Email">
            {parts => <Input {...parts} type="email" autoComplete="username" readOnly value={email} />}
          </Field>
          <PasswordField field={fields.newPassword} label="The new password" isNew />
          <Button type="submit" kind="main">
            Set the password and sign in
          </Button>
        </Stack>
      </Form>
    </Door>
  )
}
