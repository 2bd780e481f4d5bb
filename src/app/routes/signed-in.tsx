import { Outlet, redirect } from 'react-router'
import { hasAccounts } from '~/server/auth/accounts.server'
import { readAccountToken } from '~/server/auth/cookies.server'
import { accountOf } from '~/server/auth/sign-ins.server'
import { accountContext, servicesContext } from '~/server/services.server'
import type { Route } from './+types/signed-in'

/** Runs before every loader and action below it: nothing behind the sign-in can forget to ask. */
export const middleware: Route.MiddlewareFunction[] = [
  async ({ request, context }) => {
    const { db } = context.get(servicesContext)
    const account = await accountOf(db, await readAccountToken(request.headers.get('Cookie')))
    if (account) {
      context.set(accountContext, account)
      return
    }
    if (!(await hasAccounts(db))) throw redirect('/first-run')
    const { pathname, search } = new URL(request.url)
    const goTo =
      request.method === 'GET' && pathname !== '/' ? `?goTo=${encodeURIComponent(pathname + search)}` : ''
    throw redirect(`/sign-in${goTo}`)
  },
]

/** A loader makes the middleware run for every request to pages below, also those that fetch data only. */
export const loader = () => null

export default function SignedIn() {
  return <Outlet />
}
