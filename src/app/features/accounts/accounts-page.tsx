import { Box, chakra, Stack } from '@chakra-ui/react'
import { type SubmissionResult, useForm } from '@conform-to/react'
import { parseWithZod } from '@conform-to/zod/v4'
import { Form } from 'react-router'
import type { Deed } from '~/contracts/deeds'
import { accountForm } from '~/contracts/forms/accounts'
import { RemoveButton, RemovedFold } from '../../removals/remove-button'
import { Button } from '../../ui/button'
import { SignOut } from '../../ui/frame'
import { PageHead, Row, Rows, Section } from '../../ui/layout'
import { AccountFields } from './account-fields'
import { Deeds } from './deeds'
import { type GivenLink, MakeOneTimeLink, OneTimeLink } from './one-time-link'
import { ChangePassword, type SignedInBrowser, SignIns } from './own-account'

interface AccountsPageProps {
  accounts: { id: string; displayName: string; email: string }[]
  /** Whose page it is: nobody removes their own. */
  myId: string
  signIns: SignedInBrowser[]
  log: { deeds: Deed[]; more: boolean }
  lastResult?: SubmissionResult & { link?: GivenLink | null }
}

export function AccountsPage({ accounts, myId, signIns, log, lastResult }: AccountsPageProps) {
  const [form, fields] = useForm({
    lastResult,
    shouldRevalidate: 'onInput',
    onValidate: ({ formData }) => parseWithZod(formData, { schema: accountForm }),
  })
  return (
    <>
      <PageHead
        title="Accounts"
        under="Facilitators and co-facilitators of this server. Each of them sees all of it."
      >
        <Box display={{ md: 'none' }}>
          <SignOut />
        </Box>
      </PageHead>
      <Section title="Who can sign in">
        <Rows label="Accounts">
          {accounts.map(account => (
            <Row key={account.id}>
              <chakra.span fontWeight="600">{account.displayName}</chakra.span>
              <chakra.span color="quiet">{account.email}</chakra.span>
              {account.id !== myId && (
                <>
                  <RemoveButton kind="account" id={account.id} name={account.displayName} />
                  <MakeOneTimeLink accountId={account.id} name={account.displayName} />
                </>
              )}
            </Row>
          ))}
        </Rows>
        <RemovedFold kind="account" listed={accounts.length} />
      </Section>
      <Section title="Add a co-facilitator">
        <Box maxW="400px">
          <Form method="post" id={form.id} onSubmit={form.onSubmit} noValidate>
            <Stack gap="16px">
              <AccountFields fields={fields} />
              <Button type="submit" kind="main">
                Add the account
              </Button>
            </Stack>
          </Form>
        </Box>
        <Box role="status" mt="12px">
          {lastResult?.link && <OneTimeLink link={lastResult.link} />}
        </Box>
      </Section>
      <SignIns signIns={signIns} />
      <ChangePassword />
      <Deeds {...log} />
    </>
  )
}
