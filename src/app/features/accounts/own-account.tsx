import { Box, chakra, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { useFetcher } from 'react-router'
import { passwordForm } from '~/contracts/forms/accounts'
import { Button } from '../../ui/button'
import { Message, Row, Rows, Section, Tag } from '../../ui/layout'
import { When } from '../../ui/when'
import { PasswordField } from './account-fields'

export interface SignedInBrowser {
  /** What it calls itself; may be empty. */
  browser: string
  startedAt: Date
  /** The one that shows this page. */
  isHere: boolean
}

/** Where one is signed in, with a way to end all of it but here. */
export function SignIns({ signIns }: { signIns: SignedInBrowser[] }) {
  const fetcher = useFetcher()
  return (
    <Section title="Where you are signed in">
      <Rows label="Browsers">
        {signIns.map(({ browser, startedAt, isHere }) => (
          <Row key={`${startedAt.getTime()} ${isHere}`}>
            <chakra.span fontWeight="600">{browser || 'A browser'}</chakra.span>
            <chakra.span color="quiet">
              since <When at={startedAt} />
            </chakra.span>
            {isHere && <Tag kind="live">here</Tag>}
          </Row>
        ))}
      </Rows>
      {signIns.length > 1 && (
        <fetcher.Form method="post">
          <input type="hidden" name="intent" value="sign-out-elsewhere" />
          <Button type="submit" kind="stop" mt="12px">
            Sign out everywhere else
          </Button>
        </fetcher.Form>
      )}
    </Section>
  )
}

export function ChangePassword() {
  const fetcher = useFetcher<SubmissionResult>()
  const [form, fields] = useForm({
    lastResult: fetcher.state === 'idle' ? fetcher.data : null,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: passwordForm }),
  })
  const changed = fetcher.state === 'idle' && fetcher.data?.status === 'success'
  return (
    <Section title="Change your password">
      <Box maxW="400px">
        <fetcher.Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
          <input type="hidden" name="intent" value="password" />
          <Stack gap="16px">
            <PasswordField field={fields.password} label="The password you have" />
            <PasswordField field={fields.newPassword} label="The new one" isNew />
            <Button type="submit" disabled={fetcher.state !== 'idle'}>
              Change the password
            </Button>
            <Box role="status">
              {changed && (
                <Message kind="good">Changed. Every other browser of yours has been signed out.</Message>
              )}
            </Box>
          </Stack>
        </fetcher.Form>
      </Box>
    </Section>
  )
}
