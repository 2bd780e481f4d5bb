import { Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form } from 'react-router'
import { firstRunForm } from '~/contracts/forms/accounts'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { AccountFields, PasswordField } from './account-fields'
import { Door } from './sign-in-page'

interface FirstRunPageProps {
  /** As it stands in the link the server printed; empty when the page was opened without it. */
  startWord: string
  lastResult?: SubmissionResult
}

export function FirstRunPage({ startWord, lastResult }: FirstRunPageProps) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: firstRunForm }),
  })
  return (
    <Door title="Make the first account">
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <Stack gap="16px">
          <p>Nobody has an account here yet. The first one is yours; you add co-facilitators afterwards.</p>
          {form.errors && <Message kind="problem">{form.errors.join(' ')}</Message>}
          <Field
            label="Start word"
            hint="The server printed it when it started, with the link to this page."
            errors={fields.startWord.errors}
          >
            {parts => (
              <Input
                {...parts}
                name="startWord"
                autoComplete="off"
                spellCheck={false}
                defaultValue={fields.startWord.initialValue ?? startWord}
              />
            )}
          </Field>
          <AccountFields fields={fields} />
          <PasswordField field={fields.password} label="Password" isNew />
          <Button type="submit" kind="main">
            Make the account
          </Button>
        </Stack>
      </Form>
    </Door>
  )
}
