import { Outlet } from 'react-router'
import { accountContext } from '~/server/services.server'
import { Frame } from '../ui/frame'
import type { Route } from './+types/frame'

export function loader({ context }: Route.LoaderArgs) {
  return { displayName: context.get(accountContext).displayName }
}

export default function FrameRoute({ loaderData }: Route.ComponentProps) {
  return (
    <Frame displayName={loaderData.displayName}>
      <Outlet />
    </Frame>
  )
}
