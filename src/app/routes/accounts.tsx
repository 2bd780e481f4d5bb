import { parseWithZod } from '@conform-to/zod/v4'
import { accountForm, passwordForm } from '~/contracts/forms/accounts'
import { changePassword, createAccount, listAccounts } from '~/server/auth/accounts.server'
import { readAccountToken } from '~/server/auth/cookies.server'
import { makeOneTimeLink } from '~/server/auth/one-time-links.server'
import { type Account, listSignIns, signOutEverywhere } from '~/server/auth/sign-ins.server'
import type { Database } from '~/server/db/database.server'
import { listDeeds, noteDeed } from '~/server/deeds/deeds.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { passwordProblemText, weakPasswordText } from '../features/accounts/account-text'
import { AccountsPage } from '../features/accounts/accounts-page'
import type { Route } from './+types/accounts'
import { answering, formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Accounts · Round Table' }]

export async function loader({ request, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const me = context.get(accountContext)
  const token = await readAccountToken(request.headers.get('Cookie'))
  const before = Number(new URL(request.url).searchParams.get('before'))
  const [accounts, signIns, log] = await Promise.all([
    listAccounts(db),
    listSignIns(db, me.id, token),
    listDeeds(db, Number.isSafeInteger(before) && before > 0 ? before : null),
  ])
  return { accounts, myId: me.id, signIns, log }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, limits } = context.get(servicesContext)
  const me = context.get(accountContext)
  const fields = await formOf(request)
  const token = (await readAccountToken(request.headers.get('Cookie'))) ?? ''
  switch (fields.get('intent')) {
    case 'sign-out-elsewhere':
      await signOutEverywhere(db, me.id, token)
      await noteDeed(db, me, { kind: 'signed-out-elsewhere' })
      return null
    case 'one-time-link':
      return { link: await linkFor(db, me, String(fields.get('accountId'))) }
    case 'password': {
      const form = parseWithZod(fields, { schema: passwordForm })
      if (form.status !== 'success') return form.reply({ hideFields: ['password', 'newPassword'] })
      const changed = await changePassword(db, limits, me, form.value, token)
      if (changed.ok) {
        await noteDeed(db, me, { kind: 'password-changed' })
        return { ...form.reply({ resetForm: true }), status: 'success' as const }
      }
      const { problem } = changed
      return form.reply({
        fieldErrors:
          problem.code === 'weak'
            ? { newPassword: [weakPasswordText(problem.why)] }
            : { password: [passwordProblemText(problem)] },
        hideFields: ['password', 'newPassword'],
      })
    }
  }
  const form = parseWithZod(fields, { schema: accountForm })
  if (form.status !== 'success') return form.reply()
  const made = await createAccount(db, form.value)
  if (made.ok) {
    await noteDeed(db, me, { kind: 'account-made', thing: { kind: 'account', id: made.value.id } })
    return { ...form.reply({ resetForm: true }), link: await linkFor(db, me, made.value.id) }
  }
  return form.reply({
    fieldErrors: {
      email: ['This address already has an account. If it was removed, put it back.'],
    },
  })
}

/** A link for one use, which is shown this once; null for one's own account, for which no page asks. */
async function linkFor(db: Database, me: Account, accountId: string) {
  const made = await answering(makeOneTimeLink(db, me, accountId))
  if (!made.ok) return null
  await noteDeed(db, me, { kind: 'link-made', thing: { kind: 'account', id: accountId } })
  const { token, name, until } = made.value
  return { path: `/one-time/${token}`, name, until }
}

export default function Accounts({ loaderData, actionData }: Route.ComponentProps) {
  return <AccountsPage {...loaderData} lastResult={actionData ?? undefined} />
}
