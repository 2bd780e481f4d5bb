import { redirect } from 'react-router'
import { signInForm } from '~/contracts/forms/accounts'
import { hasAccounts, signIn } from '~/server/auth/accounts.server'
import { readAccountToken, readBrowserToken } from '~/server/auth/cookies.server'
import { accountOf, browserName, signOut } from '~/server/auth/sign-ins.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { addressContext, servicesContext } from '~/server/services.server'
import { signInProblemText } from '../features/accounts/account-text'
import { SignInPage } from '../features/accounts/sign-in-page'
import type { Route } from './+types/sign-in'
import { ownPath, readForm, signedInCookies } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Sign in · Round Table' }]

export async function loader({ request, context }: Route.LoaderArgs) {
  const { db } = context.get(servicesContext)
  if (!(await hasAccounts(db))) throw redirect('/first-run')
  const account = await accountOf(db, await readAccountToken(request.headers.get('Cookie')))
  if (account) throw redirect('/')
  return { goTo: new URL(request.url).searchParams.get('goTo') ?? '' }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, limits, log, settings } = context.get(servicesContext)
  const form = await readForm(request, signInForm)
  if (form.status !== 'success') return form.reply({ hideFields: ['password'] })
  const agent = request.headers.get('User-Agent')
  const signedIn = await signIn(db, limits, form.value, {
    address: context.get(addressContext),
    browser: await readBrowserToken(request.headers.get('Cookie')),
    agent,
  })
  if (!signedIn.ok) {
    log.warn({ why: signedIn.problem.code }, 'a sign-in failed')
    return form.reply({ formErrors: [signInProblemText(signedIn.problem)], hideFields: ['password'] })
  }
  await noteDeed(db, signedIn.value.account, { kind: 'signed-in', about: browserName(agent ?? '') })
  // One browser has one sign-in: what it had before is over.
  await signOut(db, await readAccountToken(request.headers.get('Cookie')))
  throw redirect(ownPath(form.value.goTo), {
    headers: await signedInCookies(signedIn.value, settings),
  })
}

export default function SignIn({ loaderData, actionData }: Route.ComponentProps) {
  return <SignInPage goTo={loaderData.goTo} lastResult={actionData} />
}
