import { ChakraProvider } from '@chakra-ui/react'
import '@fontsource-variable/source-sans-3/wght.css'
import './ui/plain-classes.css'
import { useContext } from 'react'
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from 'react-router'
import type { Route } from './+types/root'
import { ErrorPage } from './ui/error-page'
import { Nonce } from './ui/nonce'
import { system } from './ui/theme'

export const meta: Route.MetaFunction = () => [{ title: 'Round Table' }]

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useContext(Nonce)
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link rel="icon" href="/icon.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        <ChakraProvider value={system}>{children}</ChakraProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  )
}

export default function App() {
  return <Outlet />
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isRouteErrorResponse(error)) {
    // The router's own words for an address nobody has are for developers.
    const said = typeof error.data === 'string' && !error.data.startsWith('Error: ') ? error.data : ''
    const message = said || (error.status === 404 ? 'There is no page at this address.' : undefined)
    return <ErrorPage title={TITLES[error.status] ?? TITLES[500]} message={message} />
  }
  return <ErrorPage title={TITLES[500]} />
}

const TITLES: Record<number, string> & { 500: string } = {
  403: 'This is not yours to open',
  404: 'Nothing is here',
  429: 'Too many tries',
  500: 'Something went wrong here',
}
