import { redirect } from 'react-router'
import { firstRunForm } from '~/contracts/forms/accounts'
import { createFirstAccount, hasAccounts, signIn } from '~/server/auth/accounts.server'
import { readBrowserToken } from '~/server/auth/cookies.server'
import { noteDeed } from '~/server/deeds/deeds.server'
import { addressContext, servicesContext } from '~/server/services.server'
import { tokenHash } from '~/server/tokens.server'
import { weakPasswordText } from '../features/accounts/account-text'
import { FirstRunPage } from '../features/accounts/first-run-page'
import type { Route } from './+types/first-run'
import { readForm, signedInCookies } from './helpers.server'

export const meta: Route.MetaFunction = () => [{ title: 'Begin · Round Table' }]

export async function loader({ request, context }: Route.LoaderArgs) {
  if (await hasAccounts(context.get(servicesContext).db)) throw redirect('/')
  return { startWord: new URL(request.url).searchParams.get('word') ?? '' }
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, limits, settings, startWord } = context.get(servicesContext)
  const form = await readForm(request, firstRunForm)
  if (form.status !== 'success') return form.reply({ hideFields: ['password'] })
  if (startWord === null) throw redirect('/sign-in')
  if (tokenHash(form.value.startWord) !== tokenHash(startWord))
    return form.reply({
      fieldErrors: { startWord: ['This is not the word the server printed when it started last.'] },
      hideFields: ['password'],
    })
  const made = await createFirstAccount(db, form.value)
  if (!made.ok && made.problem.code === 'weak')
    return form.reply({
      fieldErrors: { password: [weakPasswordText(made.problem.why)] },
      hideFields: ['password'],
    })
  if (!made.ok) throw redirect('/sign-in')
  const signedIn = await signIn(db, limits, form.value, {
    address: context.get(addressContext),
    browser: await readBrowserToken(request.headers.get('Cookie')),
    agent: request.headers.get('User-Agent'),
  })
  await noteDeed(db, made.value, { kind: 'account-made', thing: { kind: 'account', id: made.value.id } })
  if (!signedIn.ok) throw redirect('/sign-in')
  throw redirect('/', { headers: await signedInCookies(signedIn.value, settings) })
}

export default function FirstRun({ loaderData, actionData }: Route.ComponentProps) {
  return <FirstRunPage startWord={loaderData.startWord} lastResult={actionData} />
}
