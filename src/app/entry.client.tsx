import { CacheProvider } from '@emotion/react'
import { StrictMode, startTransition } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'
import { createStyleCache } from './ui/style-cache'

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <CacheProvider value={createStyleCache()}>
        <HydratedRouter />
      </CacheProvider>
    </StrictMode>,
  )
})
