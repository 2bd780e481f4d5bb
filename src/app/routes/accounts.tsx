import { parseWithZod } from '@conform-to/zod/v4'
import { accountForm, passwordForm } from '~/contracts/forms/accounts'
import { changePassword, createAccount, listAccounts } from '~/server/auth/accounts.server'
import { readAccountToken } from '~/server/auth/cookies.server'
import { listSignIns, signOutEverywhere } from '~/server/auth/sign-ins.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { passwordProblemText } from '../features/accounts/account-text'
import { AccountsPage } from '../features/accounts/accounts-page'
import type { Route } from './+types/accounts'
import { formOf } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Accounts · Round Table' }]

export async function loader({ request, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  const me = context.get(accountContext)
  const token = await readAccountToken(request.headers.get('Cookie'))
  const [accounts, signIns] = await Promise.all([listAccounts(db), listSignIns(db, me.id, token)])
  return { accounts, myId: me.id, signIns }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, limits } = context.get(servicesContext)
  const me = context.get(accountContext)
  const fields = await formOf(request)
  const token = (await readAccountToken(request.headers.get('Cookie'))) ?? ''
  switch (fields.get('intent')) {
    case 'sign-out-elsewhere':
      await signOutEverywhere(db, me.id, token)
      return null
    case 'password': {
      const form = parseWithZod(fields, { schema: passwordForm })
      if (form.status !== 'success') return form.reply({ hideFields: ['password', 'newPassword'] })
      const changed = await changePassword(db, limits, me, form.value, token)
      if (changed.ok) return { ...form.reply({ resetForm: true }), status: 'success' as const }
      return form.reply({
        fieldErrors: { password: [passwordProblemText(changed.problem)] },
        hideFields: ['password', 'newPassword'],
      })
    }
  }
  const form = parseWithZod(fields, { schema: accountForm })
  if (form.status !== 'success') return form.reply({ hideFields: ['password'] })
  const made = await createAccount(db, form.value)
  if (made.ok) return form.reply({ resetForm: true })
  return form.reply({
    fieldErrors: {
      email: ['This address already has an account. If it was removed, put it back.'],
    },
    hideFields: ['password'],
  })
}

export default function Accounts({ loaderData, actionData }: Route.ComponentProps) {
  return <AccountsPage {...loaderData} lastResult={actionData ?? undefined} />
}
