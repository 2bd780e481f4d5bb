import { accountForm } from '~/contracts/forms/accounts'
import { createAccount, listAccounts } from '~/server/auth/accounts.server'
import { accountContext, servicesContext } from '~/server/services.server'
import { AccountsPage } from '../features/accounts/accounts-page'
import type { Route } from './+types/accounts'
import { readForm } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Accounts · Round Table' }]

export async function loader({ context }: Route.LoaderArgs) {
  const accounts = await listAccounts(context.get(servicesContext).db)
  return { accounts, myId: context.get(accountContext).id }
}

export async function action({ request, context }: Route.ActionArgs) {
  const form = await readForm(request, accountForm)
  if (form.status !== 'success') return form.reply({ hideFields: ['password'] })
  const made = await createAccount(context.get(servicesContext).db, form.value)
  if (made.ok) return form.reply({ resetForm: true })
  return form.reply({
    fieldErrors: {
      email: ['This address already has an account. If it was removed, put it back.'],
    },
    hideFields: ['password'],
  })
}

export default function Accounts({ loaderData, actionData }: Route.ComponentProps) {
  return <AccountsPage {...loaderData} lastResult={actionData} />
}
