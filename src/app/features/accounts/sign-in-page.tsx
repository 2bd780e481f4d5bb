import { Box, chakra, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form, Link } from 'react-router'
import { signInForm } from '~/contracts/forms/accounts'
import { Button } from '../../ui/button'
import { Field, Input } from '../../ui/fields'
import { Message } from '../../ui/layout'
import { PasswordField } from './account-fields'

export function SignInPage({ goTo, lastResult }: { goTo: string; lastResult?: SubmissionResult }) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: signInForm }),
  })
  return (
    <Door title="Sign in">
      <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
        <Stack gap="16px">
          {form.errors && <Message kind="problem">{form.errors.join(' ')}</Message>}
          <input type="hidden" name="goTo" value={goTo} />
          <Field label="Email" errors={fields.email.errors}>
            {parts => (
              <Input
                {...parts}
                type="email"
                autoComplete="username"
                name="email"
                defaultValue={fields.email.initialValue}
              />
            )}
          </Field>
          <PasswordField field={fields.password} label="Password" />
          <Button type="submit" kind="main">
            Sign in
          </Button>
          <chakra.p color="quiet" fontSize="s">
            Taking part in a session? <Link to="/join">Join with a code</Link>; no account is needed.
          </chakra.p>
        </Stack>
      </Form>
    </Door>
  )
}

/** The frame of the pages before the sign-in. */
export function Door({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box as="main" maxW="400px" mx="auto" px="20px" py={{ base: '40px', md: '90px' }}>
      <chakra.div color="live" fontWeight="650" mb="8px">
        Round Table
      </chakra.div>
      <chakra.h1 fontSize="xl" mb="20px">
        {title}
      </chakra.h1>
      {children}
    </Box>
  )
}
