import { CacheProvider } from '@emotion/react'
import { StrictMode, startTransition } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'
import { Nonce } from './ui/nonce'
import { createStyleCache } from './ui/style-cache'

/**
 * A page that is left between the data it asked for and the end of their stream gives the stream up, and the router
 * leaves that end's promise to nobody. All data have come by then, and nobody waits for more: it is no fault.
 */
window.addEventListener('unhandledrejection', event => {
  if ((event.reason as Error | null)?.name === 'AbortError') event.preventDefault()
})

// Browsers show a nonce to scripts of the page only, and not in its text. It does for styles as well.
const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={createStyleCache(nonce)}>
        <Nonce value={nonce}>
          <HydratedRouter />
        </Nonce>
      </CacheProvider>
    </StrictMode>,
  )
})
