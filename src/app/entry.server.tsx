import { setImmediate } from 'node:timers/promises'
import { CacheProvider } from '@emotion/react'
import emotionServer from '@emotion/server/create-instance'
// The one for Node's own streams would have Node watch every promise of the process from the first page on.
import { renderToReadableStream } from 'react-dom/server.edge'
import {
  type ActionFunctionArgs,
  type EntryContext,
  type LoaderFunctionArgs,
  type RouterContextProvider,
  ServerRouter,
} from 'react-router'
import { errorFacts } from '~/server/error-facts.server'
import { nonceContext, servicesContext } from '~/server/services.server'
import { Nonce } from './ui/nonce'
import { createStyleCache } from './ui/style-cache'

// The package is CommonJS; bundled or not, its function may lie one level deeper.
const createEmotionServer = (
  'default' in emotionServer ? emotionServer.default : emotionServer
) as typeof emotionServer

/** What a loader, an action or a page threw: into the log, without what people typed. */
export function handleError(
  error: unknown,
  { request, context }: LoaderFunctionArgs | ActionFunctionArgs,
): void {
  if (request.signal.aborted) return
  context.get(servicesContext).log.error({ error: errorFacts(error) }, 'a page failed')
}

/**
 * Renders the whole page before anything is sent and puts its styles into the head, outside React's tree. Emotion
 * would otherwise write style tags into the stream, which breaks hydration when content arrives late.
 */
export default async function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const nonce = context.get(nonceContext)
  headers.set('Content-Type', 'text/html; charset=utf-8')
  if (request.method === 'HEAD') return new Response(null, { status, headers })
  const cache = createStyleCache(nonce)
  const { extractCriticalToChunks, constructStyleTagsFromChunks } = createEmotionServer(cache)
  // What the page was made of, the page, and its styles: three pieces of work, and others' requests in between.
  await setImmediate()
  const html = await renderWhole(
    <CacheProvider value={cache}>
      <Nonce value={nonce}>
        <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
      </Nonce>
    </CacheProvider>,
    nonce,
  )
  await setImmediate()
  const styles = constructStyleTagsFromChunks(extractCriticalToChunks(html))
  return new Response(
    html.replace('</head>', () => `${styles}</head>`),
    { status, headers },
  )
}

function renderWhole(page: React.ReactElement, nonce: string): Promise<string> {
  return new Promise((resolve, reject) => {
    // Whatever fails, also where it would be made up for in the browser, fails the page.
    renderToReadableStream(page, { nonce, onError: reject })
      .then(async stream => {
        await stream.allReady
        return new Response(stream).text()
      })
      .then(resolve, reject)
  })
}
