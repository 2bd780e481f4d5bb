import { redirect } from 'react-router'
import { clearAccountToken, readAccountToken } from '~/server/auth/cookies.server'
import { signOut } from '~/server/auth/sign-ins.server'
import { servicesContext } from '~/server/services.server'
import { isReachedSecurely } from '~/server/settings.server'
import type { Route } from './+types/sign-out'

export const loader = () => redirect('/')

export async function action({ request, context }: Route.ActionArgs) {
  const { db, settings } = context.get(servicesContext)
  await signOut(db, await readAccountToken(request.headers.get('Cookie')))
  throw redirect('/sign-in', {
    headers: { 'Set-Cookie': await clearAccountToken(isReachedSecurely(settings)) },
  })
}
