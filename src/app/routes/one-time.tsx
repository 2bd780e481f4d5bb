import { redirect } from 'react-router'
import { oneTimeForm } from '~/contracts/forms/accounts'
import { signedInAs } from '~/server/auth/accounts.server'
import { readAccountToken, readBrowserToken } from '~/server/auth/cookies.server'
import { holderOf, spendOneTimeLink } from '~/server/auth/one-time-links.server'
import { signOut } from '~/server/auth/sign-ins.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { servicesContext } from '~/server/services.server'
import { weakPasswordText } from '../features/accounts/account-text'
import { OneTimePage } from '../features/accounts/one-time-page'
import type { Route } from './+types/one-time'
import { answering, readForm, signedInCookies } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Choose a password · Round Table' }]

export async function loader({ params, context }: Route.LoaderArgs) {
  const { displayName, email } = await answering(holderOf(context.get(servicesContext).db, params.token))
  return { displayName, email }
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const { db, settings } = context.get(servicesContext)
  const form = await readForm(request, oneTimeForm)
  if (form.status !== 'success') return form.reply({ hideFields: ['newPassword'] })
  const spent = await answering(spendOneTimeLink(db, params.token, form.value.newPassword))
  if (!spent.ok)
    return form.reply({
      fieldErrors: { newPassword: [weakPasswordText(spent.problem.why)] },
      hideFields: ['newPassword'],
    })
  const account = spent.value
  await noteDeed(db, account, { kind: 'link-used' })
  const cookies = request.headers.get('Cookie')
  await signOut(db, await readAccountToken(cookies))
  const signedIn = await signedInAs(db, account, {
    browser: await readBrowserToken(cookies),
    agent: request.headers.get('User-Agent'),
  })
  throw redirect('/', { headers: await signedInCookies(signedIn, settings) })
}

export default function OneTime({ loaderData, actionData }: Route.ComponentProps) {
  return <OneTimePage {...loaderData} lastResult={actionData} />
}
